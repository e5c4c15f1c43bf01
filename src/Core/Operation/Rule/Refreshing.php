<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Contents\ContentsDifferences;
use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;

/** Brings contents up to date; a line made by hand whose place is gone goes with it, and that is said. */
final class Refreshing
{
    /** Contents that the writer wants to be always up to date follow each change, as a part of it. */
    public static function alwaysCurrent(Applied $applied): Applied
    {
        $document = $applied->document;
        $refreshed = [];
        $notices = $applied->notices;
        foreach ($document->contentsHolders() as $id) {
            [$section, $said] = self::in(
                $document,
                $id,
                static fn(Node $contents): bool => true === $contents->attribute('always') &&
                    !ContentsLines::isCurrent($document, $contents),
            );
            if ($section->body != $document->section($id)->body) {
                $refreshed[] = $section;
                $notices = [...$notices, ...$said];
            }
        }

        return [] === $refreshed ? $applied : new Applied($document->withSection(...$refreshed), $notices);
    }

    /** Whether a text holds contents that follow each change. */
    public static function isWantedIn(Body $body): bool
    {
        foreach ($body->walk() as $node) {
            if ('contents' === $node->type && true === $node->attribute('always')) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param \Closure(Node): bool $isMeant asked of all contents in the section’s text
     *
     * @return array{Section, list<Notice>}
     */
    public static function in(Document $document, SectionId $id, \Closure $isMeant): array
    {
        $section = $document->section($id);
        $notices = [];
        $body = $section->body->mapped(static function (Node $node) use ($document, $id, $isMeant, &$notices): Node {
            if ('contents' !== $node->type || !$isMeant($node)) {
                return $node;
            }
            foreach (ContentsDifferences::lostHandWork($document, $node) as $words) {
                $notices[] = new Notice(
                    sprintf(
                        'The line “%s”, made by hand, went: what it leads to is not in the document any more.',
                        $words,
                    ),
                    [$id->value],
                );
            }

            return $node->withAttributes([...$node->attributes, 'lines' => ContentsLines::refreshed($document, $node)]);
        });

        return [$section->withBody($body), $notices];
    }
}
