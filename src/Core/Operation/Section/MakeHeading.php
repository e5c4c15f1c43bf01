<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Section;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\FallenUnder;
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
 * Turns paragraphs and lists of a section into headings; the text after each goes with it. Each item of a list becomes
 * a
 * heading, items within items one level below; what else an item holds is its text.
 */
final readonly class MakeHeading implements Operation
{
    /** @param non-empty-array<int, Level> $levels by the paragraph's or list's place in the body, from 0 */
    public function __construct(private SectionId $section, private array $levels, private IdSource $ids) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $position = $document->outline->findPosition($this->section);
        if (null === $position) {
            return Refused::unknownSection($this->section->value);
        }
        $section = $document->section($this->section);
        $refused = $this->refusal($section);
        if (null !== $refused) {
            return $refused;
        }
        $new = $this->newSections($section->body->blocks);
        if (null === $new) {
            return Refused::tooDeep($document->nameAt($position));
        }
        $entries = Outline::empty();
        foreach ($new as [$level, $each]) {
            $entries = $entries->followedBy(Outline::of($each->id, $level));
        }
        $kept = $section->withBody(Body::of(array_slice($section->body->blocks, 0, min(array_keys($this->levels)))));
        $after = $document->withSection($kept, ...array_column($new, 1));
        $isSpent = SpentOpening::is($document, $position, $kept);
        $after = $isSpent ? $after->withoutSection($kept->id) : $after;
        $after = $after->withOutline(
            $document->outline->spliced($isSpent ? $position : $position + 1, $position + 1, $entries),
        );

        return new Applied($after, FallenUnder::notices($document, $after));
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        $count = 0;
        foreach (array_keys($this->levels) as $index) {
            $block = $before->section($this->section)->body->blocks[$index] ?? null;
            $count +=
                null === $block
                    ? 0
                    : max(
                        1,
                        count(
                            array_filter(
                                [...$block->walk()],
                                static fn(Node $node): bool => 'listItem' === $node->type,
                            ),
                        ),
                    );
        }

        return sprintf(
            'Made %s in %s',
            1 === $count ? 'a heading' : $count . ' headings',
            Described::section($before, $this->section),
        );
    }

    private function refusal(Section $section): ?Refused
    {
        foreach (array_keys($this->levels) as $index) {
            $block = $section->body->blocks[$index] ?? null;
            if (null === $block) {
                return Refused::positionOutside();
            }
            if (!in_array($block->type, ['paragraph', 'bulletList', 'orderedList'], true)) {
                return Refused::notAParagraph();
            }
            if ('' === trim($block->plainText())) {
                return Refused::headingHasNoWords();
            }
        }

        return null;
    }

    /**
     * @param list<Node> $blocks
     *
     * @return list<array{Level, Section}>|null null when one would stand deeper than level 9
     */
    private function newSections(array $blocks): ?array
    {
        $pieces = [];
        foreach (array_slice($blocks, min(array_keys($this->levels)), null, true) as $index => $block) {
            $level = $this->levels[$index] ?? null;
            array_push(
                $pieces,
                ...match (true) {
                    null === $level => [$block],
                    'paragraph' === $block->type => [[$level->value, $block->content]],
                    default => self::ofItems($block, $level->value),
                },
            );
        }
        $sections = [];
        foreach ($pieces as $piece) {
            if ($piece instanceof Node) {
                [$level, $last] =
                    array_pop($sections) ??
                    throw new \LogicException('A text cannot come before the heading it goes with.');
                $sections[] = [$level, $last->withBody($last->body->followedBy(Body::of([$piece])))];
                continue;
            }
            [$level, $inline] = $piece;
            if ($level > 9) {
                return null;
            }
            $sections[] = [
                Level::from($level),
                Section::blank($this->ids->next())->withHeading(Heading::ofInline(UniformMarks::without($inline))),
            ];
        }

        return $sections;
    }

    /** @return list<array{int, list<Node>}|Node> headings with their levels, and the blocks that go with them */
    private static function ofItems(Node $list, int $level): array
    {
        $pieces = [];
        foreach ($list->content as $item) {
            $pieces[] = [$level, $item->content[0]->content];
            foreach (array_slice($item->content, 1) as $part) {
                array_push($pieces, ...str_ends_with($part->type, 'List') ? self::ofItems($part, $level + 1) : [$part]);
            }
        }

        return $pieces;
    }
}
