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
use Stemmata\Core\Operation\Rule\ContentsBlock;
use Stemmata\Core\Operation\Rule\Described;

/** Changes how contents are made and look, and brings them up to date; what was done to their lines by hand stays. */
final readonly class SetUpContents implements Operation
{
    public function __construct(private ContentsBlock $block, private ContentsSettings $settings) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $contents = $this->block->find($document);
        if ($contents instanceof Refused) {
            return $contents;
        }
        if (!$this->settings->areSound()) {
            return Refused::levelsReversed();
        }
        $attributes = [...$this->settings->attributes(), 'lines' => $contents->attribute('lines')];

        return $this->block->replaced($document, $contents, [
            ...$attributes,
            'lines' => ContentsLines::refreshed($document, $contents->withAttributes($attributes)),
        ]);
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->block->section);
    }

    public function describe(Document $before): string
    {
        return 'Set up the contents in ' . Described::section($before, $this->block->section);
    }
}
