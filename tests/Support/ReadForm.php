<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Reminder;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/**
 * A document without its ids: places are told by their order and bookmarks by their names, so that two readings can be
 * compared.
 */
final class ReadForm
{
    public static function of(Document $document): string
    {
        // An opening without text is nothing that a file could hold.
        $shift = $document->outline->hasOpening() && $document->sectionAt(0)->body->isEmpty() ? 1 : 0;
        $sections = array_slice(iterator_to_array($document->sections()), $shift);
        $names = [];
        $lines = [$document->titleBlock->title];
        foreach ($sections as $position => $section) {
            $names[$section->id->value] = 'SECTION' . $position;
            $names += References::in($section)->bookmarks;
            $lines[] =
                $document->outline->levelAt($position + $shift)->value .
                $document->outline->flagsAt($position + $shift) .
                ' ' .
                self::json($section);
        }

        return self::withoutBlanksAtEnds(strtr(implode("\n", $lines), $names));
    }

    private static function json(Section $section): string
    {
        return json_encode(
            [
                Heading::ofInline(self::written($section->heading->inline))->toJson(),
                $section->body
                    ->mapped(static fn(Node $node): Node => $node->withContent(self::written($node->content)))
                    ->toJson(),
            ],
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );
    }

    /**
     * What is written of them: no reminder is.
     *
     * @param list<Node> $content
     *
     * @return list<Node>
     */
    private static function written(array $content): array
    {
        return array_values(array_filter($content, static fn(Node $node): bool => null === Reminder::findIn($node)));
    }

    /** No text format keeps more than one blank between words. */
    private static function withoutBlanksAtEnds(string $text): string
    {
        return (string) preg_replace('/ {2,}/', ' ', $text);
    }
}
