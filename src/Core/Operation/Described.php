<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Document;
use Stemmata\Core\SectionId;

/** How a line of the history speaks of sections. */
final class Described
{
    /** @param list<SectionId> $sections */
    public static function sections(Document $document, array $sections, Extent $extent = Extent::Branch): string
    {
        $picked = Picked::in($document->outline, $sections, $extent);
        if ($picked instanceof Refused) {
            return 'sections';
        }
        $name = $document->nameAt($picked->runs[0][0]);
        $more = array_sum(array_map(static fn (array $run): int => $run[1] - $run[0], $picked->runs)) - 1;

        return match (true) {
            0 === $more => $name,
            1 === count($picked->runs) => sprintf('%s with %d %s under it', $name, $more, 1 === $more ? 'section' : 'sections'),
            default => sprintf('%s and %d more', $name, $more),
        };
    }

    public static function section(Document $document, SectionId $section): string
    {
        return self::sections($document, [$section], Extent::HeadingOnly);
    }
}
