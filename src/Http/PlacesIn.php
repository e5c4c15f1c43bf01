<?php

declare(strict_types=1);

namespace Stemmata\Http;

use Stemmata\Core\Document;
use Stemmata\Core\Link\BrokenLinks;
use Stemmata\Http\View\Bookmark;
use Stemmata\Http\View\InnerLink;
use Stemmata\Http\View\Places;

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
        $broken = BrokenLinks::in($document->outline, array_map(static fn (Bookmark $bookmark): string => $bookmark->id, $bookmarks));
        $links = [];
        foreach ($references as $position => $each) {
            foreach ($each->links as $id => $words) {
                $links[] = new InnerLink($document->outline->idAt($position)->value, (string) $id, $words, $broken->isBroken((string) $id));
            }
        }

        return new Places($bookmarks, $links);
    }
}
