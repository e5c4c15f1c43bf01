<?php

declare(strict_types=1);

namespace Stemmata\Storage;

/** There is no step to undo or to redo. */
final readonly class NothingToDo
{
    public function __construct(public string $sentence)
    {
    }
}
