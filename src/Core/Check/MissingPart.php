<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\RequiredPart;

/**
 * A document begun from a starter must have certain parts; each is missed while it is not there or nothing stands in
 * it.
 */
final class MissingPart implements Rule
{
    private const SOURCE = 'common practice; the starter that the document was begun from';

    public function findings(Document $document, array $headings): iterable
    {
        foreach ($document->setup->requiredParts as $part) {
            $position = $document->outline->findPosition($part->section) ?? self::findByName($part, $headings);
            if (null === $position) {
                yield new Finding('missing-part', 0, sprintf('The part “%s” is missing.', $part->name), self::SOURCE);
            } elseif (self::isUnwritten($document, $position)) {
                yield new Finding(
                    'unwritten-part',
                    $position,
                    sprintf('The part “%s” has no text yet.', $part->name),
                    self::SOURCE,
                );
            }
        }
    }

    /**
     * The writer may have made the part anew.
     *
     * @param list<string> $headings
     */
    private static function findByName(RequiredPart $part, array $headings): ?int
    {
        foreach ($headings as $position => $heading) {
            if (mb_strtolower(trim($heading)) === mb_strtolower(trim($part->name))) {
                return $position;
            }
        }

        return null;
    }

    private static function isUnwritten(Document $document, int $position): bool
    {
        for ($at = $position, $end = $document->outline->branchEnd($position); $at < $end; ++$at) {
            if (!$document->sectionAt($at)->body->isEmpty()) {
                return false;
            }
        }

        return true;
    }
}
