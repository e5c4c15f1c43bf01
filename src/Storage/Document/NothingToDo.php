<?php

declare(strict_types=1);

namespace Stemmata\Storage\Document;

use Stemmata\Storage\Database\NothingWritten;

/** There is no step to undo or to redo. */
final readonly class NothingToDo implements NothingWritten
{
    public function __construct(public string $sentence) {}
}
