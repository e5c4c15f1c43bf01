<?php

declare(strict_types=1);

namespace Stemmata\Storage\Document;

final class UnknownDocument extends \RuntimeException
{
    public static function withId(string $id): self
    {
        return new self(
            sprintf(
                'There is no document “%s” on the desk; it may have been removed.',
                mb_strcut(mb_scrub($id), 0, 40),
            ),
        );
    }

    public static function notRemoved(): self
    {
        return new self('Only a document that was taken off the desk can be thrown away for good.');
    }
}
