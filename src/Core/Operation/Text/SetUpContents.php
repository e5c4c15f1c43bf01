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
        $changed = [...$contents->attributes, ...$this->changes];
        if (is_array($this->changes['looks'] ?? null)) {
            // Of the level that is named; the others stay.
            $looks = $contents->attribute('looks');
            $changed['looks'] = array_filter(
                array_replace(is_array($looks) ? $looks : [], $this->changes['looks']),
                is_string(...),
            );
        }
        $settings = ContentsSettings::in($contents->withAttributes($changed));
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
