<?php

declare(strict_types=1);

namespace Stemmata\Core\Calculation;

use Stemmata\Core\CoreException;

final class UnreadableExpression extends \DomainException implements CoreException
{
    public static function isEmpty(): self
    {
        return new self('Nothing is to be worked out yet.');
    }

    public static function unexpected(string $sign, int $position): self
    {
        return new self(
            '' === $sign
                ? 'The calculation breaks off; something is missing at its end.'
                : sprintf(
                    'Only numbers, + − × ÷ ^ ! and brackets can be calculated; “%s” at place %d does not fit.',
                    $sign,
                    $position + 1,
                ),
        );
    }

    public static function divisionByZero(): self
    {
        return new self('Nothing can be divided by zero.');
    }

    public static function needsWholeNumber(string $of, int $most): self
    {
        return new self(sprintf('%s needs a whole number from 0 to %s.', $of, number_format($most)));
    }

    public static function tooLarge(int $digits): self
    {
        return new self(sprintf('A number on the way has more than %s digits.', number_format($digits)));
    }

    public static function tooDeep(): self
    {
        return new self('The brackets are nested too deep.');
    }

    public static function tooMuch(): self
    {
        return new self('This takes too much work; split it into smaller calculations.');
    }

    public static function tooMuchInAll(): self
    {
        return new self('The calculations of this document take too much work together; this one was not worked out.');
    }
}
