<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Text\Node;

/**
 * A calculation in a file: code of the language “calculation”, its result on a line of its own that begins with “=”.
 */
final class CalculationBlock
{
    public const LANGUAGE = 'calculation';

    /** @param string|null $result null when it cannot be worked out */
    public static function written(string $expression, ?string $result): string
    {
        return null === $result ? $expression : $expression . "\n= " . $result;
    }

    public static function read(string $code): Node
    {
        $lines = array_filter(explode("\n", $code), static fn(string $line): bool => !str_starts_with($line, '='));
        $expression = trim(implode(' ', $lines));

        return new Node('calculation', content: '' === $expression ? [] : [Node::text($expression)]);
    }
}
