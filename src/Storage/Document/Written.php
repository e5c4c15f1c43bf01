<?php

declare(strict_types=1);

namespace Stemmata\Storage\Document;

use Stemmata\Core\Document\Change;
use Stemmata\Core\Operation\Notice;

/** A change that is safely in the database. */
final readonly class Written
{
    /**
     * @param list<Notice> $notices
     * @param bool         $hasPictures whether pictures that came within the texts are kept apart from them now
     */
    public function __construct(
        public int $previousRevision,
        public int $revision,
        public int $outlineRevision,
        public Change $change,
        public string $label,
        public array $notices,
        public bool $hasPictures = false,
    ) {}
}
