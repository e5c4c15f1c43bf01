<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Scope;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/** Small documents written as their outline: “1 Coast, 2 Seven stations”. A section's id is its heading's letters. */
final class Sketch
{
    public static function document(string $outline): Document
    {
        $sections = [];
        foreach (
            array_filter(array_map(trim(...), explode(',', $outline)), static fn(string $line): bool => '' !== $line)
            as $line
        ) {
            [$level, $heading] = [(int) $line[0], trim(substr($line, 1))];
            $id = self::id('' === $heading ? 'opening' : $heading);
            $sections[] = [
                Level::from($level),
                new Section($id, Heading::plain($heading), self::body('Text of ' . $heading . '.')),
            ];
        }

        return Document::of(new TitleBlock('Sketch'), $sections);
    }

    public static function id(string $heading): SectionId
    {
        return SectionId::fromString(
            str_pad(substr((string) preg_replace('/[^a-z0-9]/', '', strtolower($heading)), 0, 12), 12, 'x'),
        );
    }

    /** The way back: what document() would be called with. */
    public static function of(Document $document): string
    {
        $lines = [];
        foreach ($document->sections() as $position => $section) {
            $lines[] = trim($document->outline->levelAt($position)->value . ' ' . $section->heading->plainText());
        }

        return implode(', ', $lines);
    }

    /** A branch as a document of its own. */
    public static function branch(Document $document, SectionId $head): Document
    {
        return $document->part(Scope::of($document->outline, [$head], true));
    }

    public static function body(string ...$paragraphs): Body
    {
        return Body::of(
            array_map(
                static fn(string $words): Node => Node::paragraph([Node::text($words)]),
                array_values($paragraphs),
            ),
        );
    }
}
