<?php

declare(strict_types=1);

namespace Stemmata\Http;

use Stemmata\Core\Link\BrokenLinks;
use Stemmata\Core\Outline;
use Stemmata\Core\SectionId;
use Stemmata\Http\View\Bookmark;
use Stemmata\Http\View\InnerLink;
use Stemmata\Http\View\Places;
use Stemmata\Storage\Entity\ReferenceRecord;

/** Lists bookmarks and links in the order of the text; what stands among the offcuts is not in the text. */
final class PlacesIn
{
    /** @param list<array{kind: string, section: string, target: string, name: string}> $references */
    public static function outline(Outline $outline, array $references): Places
    {
        $positions = array_flip(array_map(static fn (SectionId $id): string => $id->value, $outline->ids()));
        $inText = array_values(array_filter($references, static fn (array $each): bool => isset($positions[$each['section']])));
        usort($inText, static fn (array $a, array $b): int => $positions[$a['section']] <=> $positions[$b['section']]);
        $bookmarks = [];
        foreach ($inText as $each) {
            if (ReferenceRecord::BOOKMARK === $each['kind']) {
                $bookmarks[] = new Bookmark($each['target'], $each['name'], $each['section']);
            }
        }
        $broken = BrokenLinks::in($outline, array_map(static fn (Bookmark $bookmark): string => $bookmark->id, $bookmarks));
        $links = array_values(array_filter($inText, static fn (array $each): bool => ReferenceRecord::LINK === $each['kind']));

        return new Places($bookmarks, array_map(
            static fn (array $each): InnerLink => new InnerLink($each['section'], $each['target'], $each['name'], $broken->isBroken($each['target'])),
            $links,
        ));
    }
}
