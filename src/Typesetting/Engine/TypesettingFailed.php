<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

use Stemmata\Core\CoreException;

final class TypesettingFailed extends \RuntimeException implements CoreException
{
    public static function tookTooMuch(): self
    {
        return new self('The pages took too long or too much memory to make. Try a part of the document.');
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
