<?php

declare(strict_types=1);

namespace Stemmata\Core\Outline;

use Stemmata\Core\CoreException;

final class InvalidSectionId extends \InvalidArgumentException implements CoreException
{
    public static function malformed(string $value): self
    {
        return new self(
            sprintf(
                '“%s” is not the id of a section: an id is a small letter and eleven digits or small letters.',
                mb_strcut(mb_scrub($value), 0, 40),
            ),
        );
    }

    public static function notInOutline(SectionId $id): self
    {
        return new self(sprintf('The outline holds no section “%s”.', $id->value));
    }
}
