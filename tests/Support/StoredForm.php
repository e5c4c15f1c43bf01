<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/**
 * A document as plain values, the way storage keeps it: compared to the byte, and changed by a Change alone.
 *
 * @phpstan-type Stored array{title: string, setup: string, outline: list<string>, sections: array<string, string>,
 *     offcuts: array<string, string>}
 */
final class StoredForm
{
    /** @return Stored */
    public static function of(Document $document): array
    {
        $offcuts = array_filter($document->changedOffcuts, static fn(?Offcut $offcut): bool => null !== $offcut);
        $sections = [];
        foreach (self::idsKept($document) as $id) {
            $sections[$id] = self::section($document->section(SectionId::fromString($id)));
        }
        ksort($sections);
        ksort($offcuts);

        return [
            'title' => serialize($document->titleBlock),
            'setup' => serialize($document->setup),
            'outline' => [$document->outline->ids, $document->outline->levels, $document->outline->flags],
            'sections' => $sections,
            'offcuts' => array_map(serialize(...), $offcuts),
        ];
    }

    /**
     * @param Stored $stored
     *
     * @return Stored
     */
    public static function changed(array $stored, Change $change): array
    {
        $outline = $change->appliedToOutline(Outline::packed(...$stored['outline']));
        $sections = $stored['sections'];
        foreach ($change->sections as $id => [, $after]) {
            $sections[$id] = null === $after ? null : self::section($after);
        }
        $offcuts = $stored['offcuts'];
        foreach ($change->offcuts as $id => [, $after]) {
            $offcuts[$id] = null === $after ? null : serialize($after);
        }
        $sections = array_filter($sections, is_string(...));
        $offcuts = array_filter($offcuts, is_string(...));
        ksort($sections);
        ksort($offcuts);

        return [
            'title' => null === $change->titleBlock ? $stored['title'] : serialize($change->titleBlock[1]),
            'setup' => null === $change->setup ? $stored['setup'] : serialize($change->setup[1]),
            'outline' => [$outline->ids, $outline->levels, $outline->flags],
            'sections' => $sections,
            'offcuts' => $offcuts,
        ];
    }

    /** @return list<string> in the outline and among the offcuts */
    public static function idsKept(Document $document): array
    {
        $ids = $document->outline->ids();
        foreach ($document->changedOffcuts as $offcut) {
            $ids = [...$ids, ...$offcut?->outline->ids() ?? []];
        }

        return array_map(static fn(SectionId $id): string => $id->value, $ids);
    }

    /**
     * Every letter in the document and its offcuts, sorted; blanks do not count, for a join or a split may set one.
     * A bookmark left for a joined section's links carries no letters.
     */
    public static function letters(Document $document): string
    {
        $text = $document->titleBlock->title . $document->titleBlock->subtitle;
        foreach (self::idsKept($document) as $id) {
            $section = $document->section(SectionId::fromString($id));
            $text .= $section->heading->plainText() . $section->body->plainText() . $section->aim;
        }
        $letters = mb_str_split((string) preg_replace('/\s+/u', '', $text));
        sort($letters);

        return implode('', $letters);
    }

    private static function section(Section $section): string
    {
        return json_encode(
            [$section->heading->toJson(), $section->body->toJson(), $section->aim, $section->target, $section->marker],
            \JSON_THROW_ON_ERROR,
        );
    }
}
