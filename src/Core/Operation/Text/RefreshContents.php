<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\Refreshing;
use Stemmata\Core\Outline\SectionId;

/** Brings the contents in a section's text up to date; what was done to their lines by hand stays. */
final readonly class RefreshContents implements Operation
{
    public function __construct(private SectionId $section) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if (!$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        $found = false;
        [$section, $notices] = Refreshing::in($document, $this->section, static function () use (&$found): bool {
            return $found = true;
        });

        return $found ? new Applied($document->withSection($section), $notices) : Refused::nothingToRefresh();
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Refreshed the contents in ' . Described::section($before, $this->section);
    }
}
