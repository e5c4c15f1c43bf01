<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Document;
use Stemmata\Core\SectionId;
use Stemmata\Core\Text\Body;

/** Typing: the text under a heading as it reads now. */
final readonly class ReplaceBody implements Operation
{
    public function __construct(public SectionId $section, private Body $body)
    {
    }

    public function applyTo(Document $document): Applied|Refused
    {
        if (!$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        $rewritten = $document->section($this->section)->withBody($this->body);

        return TakenBookmark::findIn($document, $rewritten) ?? new Applied($document->withSection($rewritten));
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Wrote in '.Described::section($before, $this->section);
    }
}
