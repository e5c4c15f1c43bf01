<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

/** One line of an import report: what, how often, and where. */
final readonly class ReportLine
{
    /**
     * @param list<array{section: string, detail: string}> $places ids of the sections it was met in, the first hundred,
     *     and which thing is meant
     */
    public function __construct(
        public ReportKind $kind,
        public string $sentence,
        public int $count,
        public array $places,
    ) {}
}
