<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Section;

use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Section;
use Stemmata\Core\LikelyHeading\LevelRanking;
use Stemmata\Core\LikelyHeading\Line;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\Picked;
use Stemmata\Core\Operation\Rule\SpentOpening;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\UniformMarks;

/**
 * Cuts the text of sections into sections of the same level, by a rule. A line that is a heading by the rule becomes
 * one;
 * where the rule only says where to cut, the parts are named after the section and counted. Lines of stars that go are
 * kept
 * among the offcuts.
 */
final readonly class SplitByRule implements Operation
{
    /**
     * @param list<SectionId> $sections
     * @param int             $words    for SplitRule::Words, from 50 to 100,000
     */
    public function __construct(
        private array $sections,
        private SplitRule $rule,
        private int $words,
        private IdSource $ids,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $picked = Picked::in($document->outline, $this->sections, Extent::HeadingOnly);
        if ($picked instanceof Refused) {
            return $picked;
        }
        if (SplitRule::Words === $this->rule && ($this->words < 50 || $this->words > 100_000)) {
            return Refused::wrongSplitLength();
        }
        $after = $document;
        foreach (array_reverse($picked->runs) as [$from, $to]) {
            for ($position = $to - 1; $position >= $from; --$position) {
                $after = $this->cut($after, $position);
            }
        }
        if ($after->outline->equals($document->outline)) {
            return Refused::nothingToSplitAt();
        }

        return new Applied($after);
    }

    public function restsOn(): Basis
    {
        return Basis::outline(...$this->sections);
    }

    public function describe(Document $before): string
    {
        return 'Split ' . Described::sections($before, $this->sections) . ' by rule';
    }

    private function cut(Document $document, int $position): Document
    {
        $section = $document->sectionAt($position);
        [$kept, $parts, $gone] = match ($this->rule) {
            SplitRule::ChapterLines, SplitRule::NumberedLines => $this->atLines($section->body->blocks),
            SplitRule::Separators, SplitRule::PageBreaks => $this->atMarks($section->body->blocks),
            SplitRule::Words => $this->atLengths($section->body->blocks),
        };
        if ([] === $parts) {
            return $document;
        }
        $level = max(1, $document->outline->levelAt($position)->value);
        $entries = Outline::empty();
        $new = [];
        foreach ($parts as $nth => [$depth, $heading, $blocks]) {
            $made = new Section($this->ids->next(), $heading ?? self::counted($section, $nth + 2), Body::of($blocks));
            $entries = $entries->followedBy(Outline::of($made->id, Level::from(min(9, $level + $depth))));
            $new[] = $made;
        }
        $isSpent = SpentOpening::is($document, $position, $section->withBody(Body::of($kept)));
        $after = $isSpent
            ? $document->withoutSection($section->id)
            : $document->withSection($section->withBody(Body::of($kept)));
        $after = $after
            ->withSection(...$new)
            ->withOutline($document->outline->spliced($isSpent ? $position : $position + 1, $position + 1, $entries));

        return [] === $gone ? $after : $this->withOffcut($after, $gone, $section);
    }

    /**
     * @param list<Node> $blocks
     *
     * @return array{list<Node>, list<array{int, Heading|null, list<Node>}>, list<Node>} what stays; depth,
     *     heading and text of each part; what goes
     */
    private function atLines(array $blocks): array
    {
        $lines = array_filter(array_map(fn(Node $block): ?Line => $this->findLine($block), $blocks));
        $ranking = LevelRanking::of(array_values($lines));
        $starts = array_keys($lines);
        $parts = [];
        foreach ($starts as $nth => $start) {
            $end = $starts[$nth + 1] ?? count($blocks);
            $parts[] = [
                $ranking->levelOf($lines[$start]) - 1,
                Heading::ofInline(UniformMarks::without($blocks[$start]->content)),
                array_slice($blocks, $start + 1, $end - $start - 1),
            ];
        }

        return [array_slice($blocks, 0, $starts[0] ?? count($blocks)), $parts, []];
    }

    private function findLine(Node $block): ?Line
    {
        $line = Line::find($block);
        if (null === $line || null === $line->number || 1 === preg_match('/[.;,:]\z/u', rtrim($line->number->rest))) {
            return null;
        }
        $isChapter = '' !== $line->number->word;

        return SplitRule::ChapterLines === $this->rule ? ($isChapter ? $line : null) : (!$isChapter ? $line : null);
    }

    /**
     * @param list<Node> $blocks
     *
     * @return array{list<Node>, list<array{int, Heading|null, list<Node>}>, list<Node>}
     */
    private function atMarks(array $blocks): array
    {
        $chunks = [[]];
        $gone = [];
        foreach ($blocks as $block) {
            if (!$this->isMark($block)) {
                $chunks[count($chunks) - 1][] = $block;
                continue;
            }
            if ('paragraph' === $block->type) {
                $gone[] = $block;
            }
            $chunks[] = [];
        }
        $filled = array_values(array_filter($chunks, static fn(array $chunk): bool => [] !== $chunk));

        return count($filled) < 2 ? [$blocks, [], []] : [$filled[0], self::unnamed(array_slice($filled, 1)), $gone];
    }

    private function isMark(Node $block): bool
    {
        if (SplitRule::PageBreaks === $this->rule) {
            return 'pageBreak' === $block->type;
        }

        return 'separator' === $block->type ||
            ('paragraph' === $block->type &&
                1 === preg_match('/\A[\s*_~#•·\-–—⁂❦]+\z/u', $block->plainText()) &&
                '' !== trim($block->plainText()));
    }

    /**
     * @param list<Node> $blocks
     *
     * @return array{list<Node>, list<array{int, Heading|null, list<Node>}>, list<Node>}
     */
    private function atLengths(array $blocks): array
    {
        $count = new WordCount();
        $chunks = [[]];
        $words = 0;
        foreach ($blocks as $block) {
            $own = $count->ofText($block->plainText());
            // Cut before a paragraph that would lead further past the length than its absence falls short of it.
            if ($words > 0 && $words + $own / 2 > $this->words) {
                $chunks[] = [];
                $words = 0;
            }
            $chunks[count($chunks) - 1][] = $block;
            $words += $own;
        }

        return [$chunks[0], self::unnamed(array_slice($chunks, 1)), []];
    }

    /**
     * @param list<list<Node>> $chunks
     *
     * @return list<array{int, null, list<Node>}>
     */
    private static function unnamed(array $chunks): array
    {
        return array_map(static fn(array $chunk): array => [0, null, $chunk], $chunks);
    }

    private static function counted(Section $section, int $number): Heading
    {
        return Heading::plain(
            $section->heading->isEmpty()
                ? 'Part ' . $number
                : sprintf('%s, part %d', $section->heading->plainText(), $number),
        );
    }

    /** @param list<Node> $gone */
    private function withOffcut(Document $document, array $gone, Section $from): Document
    {
        $offcut = new Section($this->ids->next(), Heading::none(), Body::of($gone));
        $stays = $document->outline->has($from->id) ? $from->id : null;

        return $document
            ->withSection($offcut)
            ->withOffcut(
                new Offcut(
                    $offcut->id,
                    OffcutReason::Deleted,
                    'Separator lines',
                    $stays,
                    Outline::of($offcut->id, Level::One),
                ),
            );
    }
}
