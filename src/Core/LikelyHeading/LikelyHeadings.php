<?php

declare(strict_types=1);

namespace Stemmata\Core\LikelyHeading;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Text\Node;

/**
 * Finds paragraphs that look like headings. Each is judged by what can be seen of it and around it; those that look
 * alike
 * form a group, and groups are ranked into levels. Nothing is changed: it is for the writer to say.
 */
final class LikelyHeadings
{
    private const LEAST_CONFIDENCE = 0.5;
    /** A group is believed when at least this share of its lines are likely headings. */
    private const LEAST_SHARE = 0.5;
    /** In a look that is less believed, a line has to speak for itself. */
    private const OWN_CONFIDENCE = 0.75;

    /** @var array<string, int> lines by look, in all */
    private array $linesAlike = [];
    /** @var list<array{Section, int, int, Line, Evidence}> section, its level, block */
    private array $likely = [];

    /** @param list<int>|null $positions sections to look into; null for all */
    private function __construct(private readonly Document $document, private readonly ?array $positions) {}

    /**
     * @param list<int>|null $positions sections to look into, by position; null for all
     *
     * @return list<LookGroup> the highest level first
     */
    public static function in(Document $document, ?array $positions = null): array
    {
        return (new self($document, $positions))->groups();
    }

    /** @return list<LookGroup> */
    private function groups(): array
    {
        $sections = $this->sections();
        foreach ($sections as [, , $lines]) {
            foreach (array_filter($lines) as $line) {
                $this->linesAlike[$line->look()] = ($this->linesAlike[$line->look()] ?? 0) + 1;
            }
        }
        foreach ($sections as [$section, $level, $lines]) {
            foreach ($lines as $block => $line) {
                if (null !== $line) {
                    $this->judge($section, $level, $block, $line, $lines);
                }
            }
        }
        $this->dropDoubtfulLooks();

        return $this->grouped();
    }

    /** @return list<array{Section, int, array<int, Line|null>}> */
    private function sections(): array
    {
        $read = [];
        foreach ($this->positions ?? array_keys($this->document->outline->ids()) as $position) {
            $read[$position] = $this->document->sectionAt($position);
        }
        $counted = self::counted($read);
        $sections = [];
        foreach ($read as $position => $section) {
            $lines = array_map(static function (Node $block) use ($counted): ?Line {
                $line = Line::find($block, $counted);

                return null !== $line && $line->standsOut() ? $line : null;
            }, $section->body->blocks);
            $sections[] = [$section, $this->document->outline->levelAt($position)->value, $lines];
        }

        return $sections;
    }

    /**
     * @param array<int, Section> $sections
     *
     * @return array<string, true> first parts of all numbers that have several
     */
    private static function counted(array $sections): array
    {
        $counted = [];
        foreach ($sections as $section) {
            foreach ($section->body->blocks as $block) {
                $number = Line::find($block)?->number;
                if (null !== $number && count($number->parts) > 1) {
                    $counted[$number->parts[0]] = true;
                }
            }
        }

        return $counted;
    }

    /** @param array<int, Line|null> $lines of the section, by block */
    private function judge(Section $section, int $level, int $block, Line $line, array $lines): void
    {
        $surround = new Surround(
            self::textFollows($section->body->blocks, $lines, $block, $line),
            $this->linesAlike[$line->look()],
            self::rowLength($lines, $block, $line),
        );
        $evidence = Evidence::of($line, $surround);
        if ($evidence->confidence() >= self::LEAST_CONFIDENCE) {
            $this->likely[] = [$section, $level, $block, $line, $evidence];
        }
    }

    /**
     * @param list<Node>            $blocks
     * @param array<int, Line|null> $lines
     */
    private static function textFollows(array $blocks, array $lines, int $block, Line $line): bool
    {
        for (
            $next = $block + 1;
            isset($blocks[$next]) && in_array($blocks[$next]->type, ['separator', 'pageBreak'], true);
            ++$next
        ) {
        }
        if (!isset($blocks[$next])) {
            return false;
        }

        return null === $lines[$next] || $lines[$next]->kind() !== $line->kind();
    }

    /** @param array<int, Line|null> $lines */
    private static function rowLength(array $lines, int $block, Line $line): int
    {
        $length = 1;
        for ($at = $block - 1; isset($lines[$at]) && $lines[$at]->kind() === $line->kind(); --$at) {
            ++$length;
        }
        for ($at = $block + 1; isset($lines[$at]) && $lines[$at]->kind() === $line->kind(); ++$at) {
            ++$length;
        }

        return $length;
    }

    /** Where most lines of a look are no headings, the look says nothing; only a number still speaks for itself. */
    private function dropDoubtfulLooks(): void
    {
        $likely = array_count_values(array_map(static fn(array $each): string => $each[3]->look(), $this->likely));
        $this->likely = array_values(
            array_filter(
                $this->likely,
                fn(array $each): bool => null !== $each[3]->number ||
                    $each[4]->confidence() >= self::OWN_CONFIDENCE ||
                    $likely[$each[3]->look()] >= self::LEAST_SHARE * $this->linesAlike[$each[3]->look()],
            ),
        );
    }

    /** @return list<LookGroup> */
    private function grouped(): array
    {
        $title = $this->findTitle();
        $ranked = array_values(
            array_filter(
                $this->likely,
                static fn(array $each, int $at): bool => $at !== $title,
                \ARRAY_FILTER_USE_BOTH,
            ),
        );
        $ranking = LevelRanking::of(array_column($ranked, 3));
        $groups = [];
        foreach ($this->likely as $at => [$section, $level, $block, $line, $evidence]) {
            $suggested = $at === $title ? 0 : self::suggested($level, $line, $ranking);
            $groups[$at === $title ? 'title' : $line->kind()][] = new LikelyHeading(
                $section->id,
                $block,
                $line->text,
                $suggested,
                round($evidence->confidence(), 2),
                $evidence->reasons(),
            );
        }
        $made = array_map(fn(array $lines): LookGroup => $this->group($lines), array_values($groups));
        usort($made, static fn(LookGroup $a, LookGroup $b): int => $a->level <=> $b->level);

        return $made;
    }

    /**
     * Under a heading that is one already, levels go on from there; a number of several parts says its level itself.
     */
    private static function suggested(int $sectionLevel, Line $line, LevelRanking $ranking): int
    {
        $parts = null === $line->number || '' !== $line->number->word ? 0 : count($line->number->parts);
        $level =
            $parts > 1 && $sectionLevel > 0 ? max($parts, $sectionLevel + 1) : $sectionLevel + $ranking->levelOf($line);

        return min(9, $level);
    }

    /** The first line of all, larger than every other and the only one of its look, is the title. */
    private function findTitle(): ?int
    {
        [$section, $level, $block, $line] = $this->likely[0] ?? [null, 1, 1, null];
        if (
            null === $section ||
            null === $line ||
            0 !== $level ||
            $block > 1 ||
            count($this->likely) < 3 ||
            null !== $line->number ||
            1 !== $this->linesAlike[$line->look()]
        ) {
            return null;
        }
        $others = array_map(static fn(array $each): float => $each[3]->prominence(), array_slice($this->likely, 1));

        return $line->prominence() > max($others) && ($line->isLarge() || $line->isCentred) ? 0 : null;
    }

    /** @param non-empty-list<LikelyHeading> $lines */
    private function group(array $lines): LookGroup
    {
        $levels = array_count_values(array_map(static fn(LikelyHeading $line): int => $line->level, $lines));
        arsort($levels);
        $first = $lines[0];
        $line = Line::find($this->document->section($first->section)->body->blocks[$first->block]);

        return new LookGroup(
            null === $line ? '' : self::lookInWords($line),
            (int) array_key_first($levels),
            round(
                array_sum(array_map(static fn(LikelyHeading $each): float => $each->confidence, $lines)) /
                    count($lines),
                2,
            ),
            $lines,
        );
    }

    private static function lookInWords(Line $line): string
    {
        $words = array_filter([
            $line->isLarge()
                ? sprintf('%d %% of the text’s size', $line->size)
                : ($line->size < 96
                    ? 'smaller than the text'
                    : ''),
            $line->isBold ? 'bold' : '',
            $line->isItalic ? 'italic' : '',
            $line->isCaps ? 'in capitals' : '',
            $line->isCentred ? 'in the middle' : '',
            $line->hasHeadingStyle() ? sprintf('style “%s”', $line->style) : '',
            match (true) {
                null === $line->number => '',
                '' !== $line->number->word => sprintf('numbered “%s …”', $line->number->word),
                default => sprintf('numbered like “%s”', $line->number->label()),
            },
        ]);

        return [] === $words ? 'like the text' : implode(', ', $words);
    }
}
