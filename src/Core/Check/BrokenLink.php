<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;

/**
 * A link within the document that leads to what is not in it: cut out, left behind in another document, or never there.
 */
final class BrokenLink implements Rule
{
    public function findings(Document $document, array $headings): iterable
    {
        $references = $document->references();
        $bookmarks = array_merge(
            ...array_map(
                static fn(References $each): array => array_map(strval(...), array_keys($each->bookmarks)),
                array_values($references),
            ),
        );
        $broken = BrokenLinks::in($document->outline, $bookmarks);
        foreach ($references as $position => $each) {
            foreach ($each->links as $id => $words) {
                if ($broken->isBroken((string) $id)) {
                    yield new Finding(
                        'broken-link',
                        $position,
                        sprintf('The link “%s” leads nowhere: what it led to is not in the document.', $words),
                        'common practice',
                    );
                }
            }
        }
    }
}
