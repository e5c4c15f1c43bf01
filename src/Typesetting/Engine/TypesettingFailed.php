<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

use Stemmata\Core\CoreException;

class TypesettingFailed extends \RuntimeException implements CoreException
{
    protected const TOO_MUCH = 'The pages took too long or too much memory to make. Try a part of the document.';

    /** Nobody knows whether it was the document. */
    public static function gaveUp(): self
    {
        return new self(self::TOO_MUCH);
    }

    public static function notThere(): self
    {
        return new self(
            'The typesetting service cannot be started, so that there are no pages now. The text is not touched by this.',
        );
    }

    public static function foreign(string $folder): self
    {
        return new self(
            sprintf(
                'The folder “%s” of the data belongs to someone else or is open to others, so that no pages are made. Take it away, and they are made again.',
                $folder,
            ),
        );
    }

    public static function because(string $reason): self
    {
        return new self(sprintf('The pages could not be made: %s', rtrim($reason, '.') . '.'));
    }
}
