<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\TakenBookmark;
use Stemmata\Core\Operation\Rule\TypedText;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;

/** Typing: the text under a heading as it reads now. */
final readonly class ReplaceBody implements Operation
{
    public function __construct(public SectionId $section, private Body $body) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if (!$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        $rewritten = $document->section($this->section)->withBody($this->body);

        return TakenBookmark::findIn($document, $rewritten) ?? new Applied(TypedText::in($document, $rewritten));
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Wrote in ' . Described::section($before, $this->section);
    }
}
