<?php

declare(strict_types=1);

namespace Stemmata\Core\Page;

use Stemmata\Core\CoreException;

final class InvalidPageSetup extends \DomainException implements CoreException
{
    public static function malformed(): self
    {
        return new self('This page setup cannot be read.');
    }

    public static function margins(): self
    {
        return new self('Each margin must be from 5 to 80 millimetres.');
    }

    public static function noRoom(): self
    {
        return new self(
            'These margins leave less than 40 millimetres for the text; make them smaller or the paper larger.',
        );
    }

    public static function runningLine(): self
    {
        return new self(
            'A header or footer holds at most 12 pieces at each of its three places, of at most 200 characters.',
        );
    }

    public static function titleLines(): self
    {
        return new self('A title page holds at most 12 lines of your own, of at most 200 characters.');
    }

    public static function pageNumber(): self
    {
        return new self('Page numbers can begin again at a number from 1 to 9999.');
    }
}
