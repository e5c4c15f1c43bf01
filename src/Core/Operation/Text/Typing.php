<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Operation\Batch;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Outline\SectionId;

/** What typing is: writing in the text or the heading of one section, and nothing besides. */
final class Typing
{
    /** The section that was typed in; null for an operation that is more than typing. */
    public static function findSection(Operation $operation): ?SectionId
    {
        if ($operation instanceof Batch) {
            $sections = array_map(self::findSection(...), $operation->operations);

            return in_array(null, $sections, true) || 1 !== count(array_unique(array_column($sections, 'value')))
                ? null
                : $sections[0];
        }

        return match (true) {
            $operation instanceof ReplaceBody => $operation->section,
            $operation instanceof Rename && $operation->isTyped => $operation->section,
            default => null,
        };
    }
}
