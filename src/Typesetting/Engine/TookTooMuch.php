<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

/** The engine was ended for the time or the memory that a document took. */
final class TookTooMuch extends TypesettingFailed
{
    /** @param bool $isRemembered from a time before, without having been tried again */
    public function __construct(public readonly bool $isRemembered = false)
    {
        parent::__construct(self::TOO_MUCH);
    }
}
