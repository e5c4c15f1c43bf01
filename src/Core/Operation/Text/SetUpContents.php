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

/**
 * Changes how contents are made and look, and brings them up to date. What is not named stays, and so does what was done
 * to their lines by hand.
 */
final readonly class SetUpContents implements Operation
{
    /** @param array<string, mixed> $changes attributes of the block, as ContentsSettings::attributes names them */
    public function __construct(private ContentsBlock $block, private array $changes) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $contents = $this->block->find($document);
        if ($contents instanceof Refused) {
            return $contents;
        }
        $settings = ContentsSettings::in($contents->withAttributes([...$contents->attributes, ...$this->changes]));
        if (!$settings->areSound()) {
            return Refused::levelsReversed();
        }
        $attributes = [...$settings->attributes(), 'lines' => $contents->attribute('lines')];

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
