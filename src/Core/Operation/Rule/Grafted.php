<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/** Sections of another document made ready to stand in this one: levels fitted, bookmarks under names that are free. */
final readonly class Grafted
{
    /** @param list<Section> $sections */
    private function __construct(public Outline $outline, public array $sections) {}

    /**
     * @param Outline       $outline of the sections, without an opening
     * @param list<Section> $sections
     * @param int           $highest the level that the highest of them takes
     */
    public static function into(Document $document, Outline $outline, array $sections, int $highest): self|Refused
    {
        if (0 === $outline->count()) {
            return new self($outline, []);
        }
        $shifted = $outline->findShifted($highest - (int) min([9, ...str_split($outline->levels)]));
        if (null === $shifted) {
            return Refused::graftTooDeep();
        }

        return new self($shifted, self::withFreeNames($document, $sections));
    }

    /**
     * @param list<Section> $sections
     *
     * @return list<Section>
     */
    public static function withFreeNames(Document $document, array $sections): array
    {
        $names = new FreeNames($document);
        $rename = static fn(Node $node): Node => 'bookmark' === $node->type
            ? $node->withAttributes([
                'id' => $node->textAttribute('id'),
                'name' => $names->for($node->textAttribute('name')),
            ])
            : $node;

        return array_map(
            static fn(Section $section): Section => [] === References::in($section)->bookmarks
                ? $section
                : $section
                    ->withHeading(
                        Heading::ofInline(
                            array_map(static fn(Node $node): Node => $node->mapped($rename), $section->heading->inline),
                        ),
                    )
                    ->withBody(
                        Body::of(
                            array_map(static fn(Node $block): Node => $block->mapped($rename), $section->body->blocks),
                        ),
                    ),
            $sections,
        );
    }
}
