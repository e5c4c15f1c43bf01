<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;

/** How a line of the history speaks of sections. */
final class Described
{
    /** @param list<SectionId> $sections of which one operation takes so much along */
    public static function branches(Document $document, array $sections, Extent $extent = Extent::Branch): string
    {
        $picked = Picked::in($document->outline, $sections, $extent);
        if ($picked instanceof Refused) {
            return 'sections';
        }
        [$from, $to] = $picked->runs[0];
        $name = $document->nameAt($from);
        $more = array_sum(array_map(static fn(array $run): int => $run[1] - $run[0], $picked->runs)) - 1;

        return match (true) {
            0 === $more && $to < $document->outline->branchEnd($from) => sprintf('the heading %s alone', $name),
            0 === $more => $name,
            1 === count($picked->runs) => sprintf(
                '%s with %s %s under it',
                $name,
                number_format($more),
                1 === $more ? 'section' : 'sections',
            ),
            default => sprintf('%s and %s more', $name, number_format($more)),
        };
    }

    /** @param list<SectionId> $sections each by itself, whatever is under it */
    public static function sections(Document $document, array $sections): string
    {
        $picked = Picked::in($document->outline, $sections, Extent::HeadingOnly);
        if ($picked instanceof Refused) {
            return 'sections';
        }
        $name = $document->nameAt($picked->runs[0][0]);
        $more = count($picked->runs) - 1;

        return 0 === $more ? $name : sprintf('%s and %s more', $name, number_format($more));
    }

    public static function section(Document $document, SectionId $section): string
    {
        return self::sections($document, [$section]);
    }
}
