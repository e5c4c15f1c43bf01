<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Wire;

use Stemmata\Core\CoreException;

/** The request does not say an operation; no rule was asked yet. */
final class InvalidOperation extends \InvalidArgumentException implements CoreException
{
    public static function unknownName(string $name): self
    {
        return new self(sprintf('There is no operation “%s”.', mb_strcut(mb_scrub($name), 0, 40)));
    }

    public static function field(string $field, string $wanted): self
    {
        return new self(sprintf('“%s” must be %s.', $field, $wanted));
    }

    public static function tooMany(int $limit): self
    {
        return new self(sprintf('One request may hold at most %d operations.', $limit));
    }
}
