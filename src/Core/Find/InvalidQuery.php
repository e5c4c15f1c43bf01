<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

use Stemmata\Core\CoreException;

/** What cannot be looked for, said to the writer. */
final class InvalidQuery extends \InvalidArgumentException implements CoreException
{
    public static function unknown(string $field): self
    {
        return new self(sprintf('“%s” of the query says nothing that can be looked for.', $field));
    }

    public static function nothing(): self
    {
        return new self('There is nothing to look for.');
    }

    public static function tooLong(): self
    {
        return new self(sprintf('That is more than can be looked for: %d letters at most.', Query::LONGEST));
    }

    public static function noPattern(): self
    {
        return new self('That is no regular expression: something in it does not fit together.');
    }

    public static function emptyPattern(): self
    {
        return new self('That expression would be found between any two letters; it must need at least one.');
    }

    public static function tooHard(): self
    {
        return new self('That expression takes too long on this text. A simpler one will do.');
    }

    public static function severalWords(): self
    {
        return new self('Several words in any order cannot be replaced; look for them exactly so.');
    }
}
