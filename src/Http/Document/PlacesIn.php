<?php

declare(strict_types=1);

namespace Stemmata\Http\Document;

use Stemmata\Core\Check\BrokenLinks;
use Stemmata\Core\Document\Document;
use Stemmata\Http\Document\View\Bookmark;
use Stemmata\Http\Document\View\InnerLink;
use Stemmata\Http\Document\View\Places;

/** Lists bookmarks and links in the order of the text; what stands among the offcuts is not in the text. */
final class PlacesIn
{
    public static function document(Document $document): Places
    {
        $references = $document->references();
        $bookmarks = [];
        foreach ($references as $position => $each) {
            foreach ($each->bookmarks as $id => $name) {
                $bookmarks[] = new Bookmark((string) $id, $name, $document->outline->idAt($position)->value);
            }
        }
        $broken = BrokenLinks::in(
            $document->outline,
            array_map(static fn(Bookmark $bookmark): string => $bookmark->id, $bookmarks),
        );
        $links = [];
        foreach ($references as $position => $each) {
            foreach ($each->links as $id => $words) {
                $links[] = new InnerLink(
                    $document->outline->idAt($position)->value,
                    (string) $id,
                    $words,
                    $broken->isBroken((string) $id),
                );
            }
        }

        return new Places($bookmarks, $links);
    }
}
