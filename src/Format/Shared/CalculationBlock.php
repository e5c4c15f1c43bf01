<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Calculation\Calculation;
use Stemmata\Core\Calculation\Effort;
use Stemmata\Core\Calculation\Solved;
use Stemmata\Core\Text\Node;

/** A calculation in a file: code of the language “calculation”, its result on a line of its own that begins with “=”. */
final class CalculationBlock
{
    public const LANGUAGE = 'calculation';

    /** @param Effort $effort of the whole document */
    public static function written(Node $calculation, Effort $effort): string
    {
        $expression = strtr($calculation->plainText(), "\n", ' ');
        $answer = Calculation::of($expression, $effort);

        return $answer instanceof Solved ? $expression."\n= ".$answer->result : $expression;
    }

    public static function read(string $code): Node
    {
        $lines = array_filter(explode("\n", $code), static fn (string $line): bool => !str_starts_with($line, '='));
        $expression = trim(implode(' ', $lines));

        return new Node('calculation', content: '' === $expression ? [] : [Node::text($expression)]);
    }
}
