<?php

declare(strict_types=1);

namespace Stemmata\Storage\Document;

use Stemmata\Core\Operation\Notice;
use Stemmata\Storage\Section\PreparedChange;

/** What a step would write, and how the history will speak of it. */
final readonly class PlannedStep
{
    /**
     * @param string|null  $typedIn the section, for a step that is nothing but typing
     * @param list<Notice> $notices
     */
    public function __construct(
        public string $documentId,
        public PreparedChange $prepared,
        public string $label,
        public ?string $typedIn,
        public array $notices,
    ) {}
}
