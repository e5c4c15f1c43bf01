<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Text;

use Stemmata\Core\Text\Look;
use Stemmata\Core\Text\Node;
use Stemmata\Core\TypedNumber\TypedNumber;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\ListKind;
use Stemmata\Format\Read\ListRun;
use Stemmata\Format\Shared\ContentsWords;

/** Goes through the blocks of a plain text and says what each is. */
final class TextFlow
{
    /** A line shorter than this share of the longest was ended on purpose. */
    private const SHORT = 0.62;

    private ListRun $items;
    /** @var array<int, ChapterLine> chapter lines by block */
    private array $chapters = [];
    /** @var array<int, true> blocks that are contents */
    private array $contents = [];
    /** @var array<string, int> underlining signs in the order in which they were met */
    private array $underlines = [];
    /** @var array<int, int> level by rank */
    private array $levels = [];
    private int $width;
    private string $current = '';

    /** @param list<TextBlock> $blocks */
    public function __construct(private readonly DocumentBuilder $builder, private readonly array $blocks)
    {
        $this->items = new ListRun();
        $widths = array_merge(
            [40],
            ...array_map(
                static fn(TextBlock $block): array => count($block->lines) > 1
                    ? array_map(mb_strlen(...), $block->lines)
                    : [],
                $blocks,
            ),
        );
        sort($widths);
        $this->width = $widths[(int) (0.95 * (count($widths) - 1))];
        $this->findChapters();
        $this->findContents();
        $this->rankChapters();
    }

    public function read(): void
    {
        $count = count($this->blocks);
        for ($index = 0; $index < $count; ++$index) {
            $block = $this->blocks[$index];
            if ($block->onPage && $index > 0 && !isset($this->contents[$index])) {
                $this->finishList();
                $this->builder->block(new Node('pageBreak'));
            }
            if (isset($this->contents[$index])) {
                if (!isset($this->contents[$index - 1])) {
                    $this->builder->contentsLeftOut();
                }
            } elseif (isset($this->chapters[$index])) {
                $this->chapter($index);
            } else {
                $this->text($block);
            }
        }
        $this->finishList();
    }

    private function findChapters(): void
    {
        foreach ($this->blocks as $index => $block) {
            $underline = self::underline($block);
            if (null !== $underline) {
                $this->underlines[$underline] ??= count($this->underlines);
                $this->chapters[$index] = ChapterLine::underlined($block->lines[0], 20 + $this->underlines[$underline]);
                continue;
            }
            $chapter = $block->isSingle() ? ChapterLine::find($block->lines[0]) : $this->wrappedChapter($block);
            // “Chapter I” over “The gale” in one block.
            if (null === $chapter && 2 === count($block->lines)) {
                $first = ChapterLine::find($block->lines[0]);
                $chapter =
                    null !== $first &&
                    $first->lacksName() &&
                    '' !== ($first->number->word ?? '') &&
                    $this->isName($block->lines[1])
                        ? $first->withName($block->lines[1])
                        : null;
            }
            if (null !== $chapter && !$this->isItem($index, $chapter)) {
                $this->chapters[$index] = $chapter;
            }
        }
        // A writer who underlines headings underlines them all; what is numbered without a line under it is a list.
        $underlined = count(
            array_filter($this->chapters, static fn(ChapterLine $chapter): bool => $chapter->isUnderlined),
        );
        if ($underlined >= 3) {
            $this->chapters = array_filter(
                $this->chapters,
                static fn(ChapterLine $chapter): bool => $chapter->isUnderlined || $chapter->rank < 10,
            );
        }
    }

    /** A long heading with a number of several parts may go on in a second line. */
    private function wrappedChapter(TextBlock $block): ?ChapterLine
    {
        $chapter =
            2 === count($block->lines) &&
            mb_strlen($block->lines[0]) > 0.7 * $this->width &&
            mb_strlen(trim($block->lines[1])) < 0.5 * $this->width
                ? ChapterLine::find(rtrim($block->lines[0]) . ' ' . trim($block->lines[1]))
                : null;

        return null === $chapter || count($chapter->number->parts ?? []) < 2 ? null : $chapter;
    }

    /** The sign with which a line of words is underlined; which comes first is the higher level (common practice). */
    private static function underline(TextBlock $block): ?string
    {
        $isUnderlined =
            2 === count($block->lines) &&
            1 === preg_match('/\A\s*([=\-~*^"+#])\1{2,}\s*\z/', $block->lines[1], $match) &&
            abs(mb_strlen(trim($block->lines[1])) - mb_strlen(trim($block->lines[0]))) <= 3;

        return $isUnderlined ? $match[1] : null;
    }

    /** “1. One”, “2. Two”, one after the other, are a list and no chapters. */
    private function isItem(int $index, ChapterLine $chapter): bool
    {
        if (null === $chapter->number || '' !== $chapter->number->word || count($chapter->number->parts) > 1) {
            return false;
        }
        $next =
            isset($this->blocks[$index + 1]) && $this->blocks[$index + 1]->isSingle()
                ? ChapterLine::find($this->blocks[$index + 1]->lines[0])?->number
                : null;
        $previous =
            isset($this->chapters[$index - 1]) ||
            !isset($this->blocks[$index - 1]) ||
            !$this->blocks[$index - 1]->isSingle()
                ? null
                : ChapterLine::find($this->blocks[$index - 1]->lines[0])?->number;
        $follows = static fn(?TypedNumber $one, ?TypedNumber $other): bool => null !== $one &&
            null !== $other &&
            '' === $other->word &&
            1 === count($other->parts) &&
            is_numeric($one->own()) &&
            is_numeric($other->own()) &&
            1 === (int) $other->own() - (int) $one->own();

        return $follows($chapter->number, $next) || $follows($previous, $chapter->number);
    }

    /** A run of chapter lines, or of lines with page numbers, whose words come again as chapters further on. */
    private function findContents(): void
    {
        $later = [];
        foreach ($this->chapters as $index => $chapter) {
            $later[$chapter->letters()][] = $index;
        }
        $run = [];
        foreach ([...array_keys($this->blocks), -1] as $index) {
            $isCandidate =
                $index >= 0 &&
                null === self::underline($this->blocks[$index]) &&
                [] !== $this->contentsEntries($this->blocks[$index]);
            if ($isCandidate) {
                $run[] = $index;
                continue;
            }
            $this->judge($run, $later);
            $run = [];
        }
    }

    /**
     * The lines of a block as entries of contents. They may be marked as a list, and long ones go on, further in, on
     * the
     * next line.
     *
     * @return list<string> none when one of them is no entry
     */
    private function contentsEntries(TextBlock $block): array
    {
        $entries = [];
        foreach ($block->lines as $nth => $line) {
            if ($nth > 0 && strspn($line, ' ') > strspn($block->lines[$nth - 1], ' ') && mb_strlen(trim($line)) < 60) {
                $entries[] = array_pop($entries) . ' ' . trim($line);
                continue;
            }
            $entry = (string) preg_replace('/\A\s*[*•-]\s+/u', '', $line);
            if (
                !ContentsWords::isLine($entry) &&
                null === TypedNumber::find(trim($entry)) &&
                null === ChapterLine::find($entry) &&
                !$this->isName($entry)
            ) {
                return [];
            }
            $entries[] = $entry;
        }

        return $entries;
    }

    /**
     * @param list<int>                $run   of blocks
     * @param array<string, list<int>> $later blocks of chapter lines by their letters
     */
    private function judge(array $run, array $later): void
    {
        $headed = array_filter(
            $run,
            fn(int $index): bool => isset($this->chapters[$index]) &&
                ContentsWords::isHeading($this->chapters[$index]->line),
        );
        $begins =
            [] === $headed
                ? range(0, max(0, count($run) - 3))
                : array_map(static fn(int $at): int => $at + 1, array_keys($headed));
        foreach ($begins as $begin) {
            $contents = $this->entries(array_slice($run, $begin), $later, [] !== $headed);
            foreach ($contents as $index) {
                $this->contents[$index] = true;
                unset($this->chapters[$index]);
            }
            if ([] !== $contents && [] === $headed) {
                return;
            }
        }
    }

    /**
     * The blocks at the head of a run that are contents: up to where a line comes for the second time, for that is the
     * chapter itself.
     *
     * @param list<int>                $run
     * @param array<string, list<int>> $later
     *
     * @return list<int> none when too few of them come again
     */
    private function entries(array $run, array $later, bool $isHeaded): array
    {
        $seen = [];
        $blocks = [];
        $again = 0;
        foreach ($run as $index) {
            foreach ($this->contentsEntries($this->blocks[$index]) as $line) {
                $letters = ChapterLine::lettersOf($line);
                if (isset($seen[$letters])) {
                    break 2;
                }
                $seen[$letters] = true;
                $again += ContentsWords::isLine($line) || max([-1, ...$later[$letters] ?? []]) > $index ? 1 : 0;
            }
            $blocks[] = $index;
        }

        return count($seen) >= ($isHeaded ? 1 : 3) && $again >= ($isHeaded ? 0.5 : 0.6) * count($seen) ? $blocks : [];
    }

    /** The words that are there say how deep each stands: with parts, chapters are at level 2. */
    private function rankChapters(): void
    {
        $ranks = array_unique(
            array_map(
                static fn(ChapterLine $chapter): int => $chapter->rank,
                array_filter(
                    $this->chapters,
                    static fn(ChapterLine $chapter): bool => !$chapter->isNamed && $chapter->rank < 10,
                ),
            ),
        );
        sort($ranks);
        foreach ($ranks as $depth => $rank) {
            $this->levels[$rank] = $depth + 1;
        }
        // Figures count from the level under the chapters, unless they are the chapters.
        $parts = array_map(
            static fn(ChapterLine $chapter): int => $chapter->rank - 10,
            array_filter(
                $this->chapters,
                static fn(ChapterLine $chapter): bool => $chapter->rank >= 10 && $chapter->rank < 20,
            ),
        );
        $base =
            [] === $parts
                ? 0
                : (min($parts) > 1 && isset($this->levels[3])
                    ? $this->levels[3] - 1
                    : ([] === $ranks
                        ? 0
                        : max($this->levels) - (min($parts) > 1 ? 1 : 0)));
        for ($count = 1; $count <= 9; ++$count) {
            $this->levels[10 + $count] = min(9, $base + $count);
            $this->levels[19 + $count] = $count;
        }
    }

    private function chapter(int $index): void
    {
        $chapter = $this->chapters[$index];
        if ($chapter->letters() === $this->current && '' !== $this->current) {
            $this->builder->note(ImportNote::RunningHeadLeftOut, $chapter->line);

            return;
        }
        $this->current = $chapter->letters();
        $next = $this->blocks[$index + 1] ?? null;
        $named = $chapter;
        if (
            $chapter->lacksName() &&
            null !== $next &&
            $next->isSingle() &&
            !isset($this->chapters[$index + 1]) &&
            $next->gap <= 2 &&
            $this->isName($next->lines[0]) &&
            $this->isText($this->blocks[$index + 2] ?? null)
        ) {
            $named = $chapter->withName($next->text());
            $this->contents[$index + 1] = true;
            $this->contents[$index] = true;
        }
        $this->finishList();
        $level = $this->levels[$chapter->rank] ?? ($this->levels[3] ?? 1);
        $this->builder->heading($chapter->isNamed ? $this->levels[3] ?? min([1, ...$this->levels]) : $level, [
            Node::text($named->line),
        ]);
    }

    /** A short line in title or capitals, without a stop: the name under “Chapter I”. */
    private function isName(string $line): bool
    {
        $words = trim($line);

        return mb_strlen($words) <= 70 &&
            1 === preg_match('/\A[\p{Lu}\p{N}“"‘]/u', $words) &&
            1 !== preg_match('/[.,;:]\z/u', $words);
    }

    private function isText(?TextBlock $block): bool
    {
        return null !== $block && (count($block->lines) > 1 || mb_strlen($block->text()) > 70);
    }

    private function text(TextBlock $block): void
    {
        if (
            $block->isSingle() &&
            1 ===
                preg_match(
                    '/\A\s*(?:(?:\*\s*){3,}|(?:-\s*){3,}|(?:_\s*){3,}|(?:~\s*){3,}|#|⁂|❦|(?:•\s*){3,})\s*\z/u',
                    $block->lines[0],
                )
        ) {
            $this->finishList();
            $this->builder->block(new Node('separator'));

            return;
        }
        if ($this->isList($block)) {
            return;
        }
        $this->finishList();
        $isShort =
            count($block->lines) > 2 &&
            [] ===
                array_filter(
                    array_slice($block->lines, 0, -1),
                    fn(string $line): bool => mb_strlen($line) > self::SHORT * $this->width,
                );
        $look = new Look(
            align: $block->isSingle() && $block->indent() > 8 ? 'center' : null,
            before: min(96, 12 * $block->gap),
        );
        $this->builder->block(
            Node::paragraph($isShort ? self::verse($block->lines) : [Node::text(self::joined($block->lines))], $look),
        );
    }

    private function isList(TextBlock $block): bool
    {
        /** @var list<array{int, string, string}> $items depth, number, words */
        $items = [];
        foreach ($block->lines as $line) {
            if (1 === preg_match('/\A(\s*)(?:[-*•–]|(\d{1,3})[.)])\s+(\S.*)\z/u', $line, $match)) {
                $items[] = [intdiv(strlen(strtr($match[1], ["\t" => '    '])), 2), $match[2], $match[3]];
            } elseif ([] === $items) {
                return false;
            } else {
                [$depth, $number, $words] = array_pop($items);
                $items[] = [$depth, $number, $words . ' ' . trim($line)];
            }
        }
        // A single figure at the head of a long paragraph numbers the paragraph.
        if (1 === count($items) && '' !== $items[0][1] && $this->items->isEmpty() && '1' !== $items[0][1]) {
            return false;
        }
        foreach ($items as [$depth, $number, $words]) {
            $kind = '' === $number ? ListKind::bullets() : ListKind::ordered(null);
            $this->items->item('', $depth, $kind, (int) $number, [Node::paragraph([Node::text($words)])]);
        }

        return true;
    }

    private function finishList(): void
    {
        foreach ($this->items->finished() as $list) {
            $this->builder->block($list);
        }
    }

    /**
     * @param list<string> $lines
     *
     * @return list<Node>
     */
    private static function verse(array $lines): array
    {
        $inline = [];
        foreach ($lines as $line) {
            $inline =
                [] === $inline
                    ? [Node::text(trim($line))]
                    : [...$inline, new Node('hardBreak'), Node::text(trim($line))];
        }

        return $inline;
    }

    /** @param list<string> $lines */
    private static function joined(array $lines): string
    {
        return (string) preg_replace('/\s+/u', ' ', implode(' ', array_map(trim(...), $lines)));
    }
}
