<?php

declare(strict_types=1);

namespace Stemmata\Core\Numbering;

use Stemmata\Core\CoreException;

final class InvalidScheme extends \InvalidArgumentException implements CoreException
{
    public static function malformed(): self
    {
        return new self('The numbering is not in the form that a document keeps it in.');
    }
}
