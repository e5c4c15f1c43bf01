<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Stemmata\Core\Document\Change;
use Stemmata\Core\Text\Picture;

/**
 * A change with everything encoded that goes into the database, made without the write lock. It may be written only
 * while the document is still at `$revision`.
 *
 * @phpstan-import-type SectionRow from SectionRows
 */
final readonly class PreparedChange
{
    /**
     * @param list<SectionRow> $rows
     * @param list<string>     $removed sections that are gone for good
     * @param string           $json    the change as the journal keeps it; empty for one that was read from there
     * @param list<Picture>    $pictures that came with it
     */
    public function __construct(
        public int $revision,
        public Change $change,
        public array $rows,
        public array $removed,
        public string $json = '',
        public array $pictures = [],
    ) {}
}
