<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

/** What a section is called in a list when its heading has no words. */
final class SectionNames
{
    private const OPENING = 'Opening';
    private const NONE = 'No heading yet';

    /**
     * @return array<string, string> by id,
     *     for the sections whose heading has no words; the others are called by their heading
     */
    public static function of(Document $document): array
    {
        $naming = $document->namingNumbers();
        $names = [];
        foreach ($document->headings() as $position => $heading) {
            if ('' === trim($heading)) {
                $names[$document->outline->idAt($position)->value] = self::inPlaceOfHeading(
                    $document,
                    $position,
                    $naming,
                );
            }
        }

        return $names;
    }

    /** @param list<string> $naming see Document::namingNumbers() */
    private static function inPlaceOfHeading(Document $document, int $position, array $naming): string
    {
        $number = $naming[$position] ?? '';

        return match (true) {
            $document->outline->levelAt($position)->isOpening() => self::OPENING,
            '' === $number => self::NONE,
            default => $number,
        };
    }
}
