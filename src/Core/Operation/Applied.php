<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Document\Document;

final readonly class Applied
{
    /** @param list<Notice> $notices what else the writer should know */
    public function __construct(public Document $document, public array $notices = []) {}
}
