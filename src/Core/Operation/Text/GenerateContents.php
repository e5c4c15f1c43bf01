<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;

/** Puts contents into a section's text; others that stand there stay. */
final readonly class GenerateContents implements Operation
{
    /**
     * @param int|null $block where among the body's blocks new contents go, from 0; null for the end
     */
    public function __construct(
        private SectionId $section,
        private ContentsSettings $settings,
        private ?int $block = null,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if (!$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        if (!$this->settings->areSound()) {
            return Refused::levelsReversed();
        }
        $section = $document->section($this->section);
        $contents = new Node('contents', [
            ...$this->settings->attributes(),
            'lines' => ContentsLines::of($document, $this->settings),
        ]);
        $blocks = $section->body->blocks;
        array_splice($blocks, max(0, min($this->block ?? count($blocks), count($blocks))), 0, [$contents]);

        return new Applied($document->withSection($section->withBody(Body::of($blocks))));
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Made contents in ' . Described::section($before, $this->section);
    }
}
