<?php

declare(strict_types=1);

namespace Stemmata\Core\Calculation;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;

/**
 * Reads and works out an expression in one pass, by recursive descent:
 *
 *     sum     = product (("+" | "-") product)*
 *     product = signed (("*" | "/") signed)*        also × · ÷ :
 *     signed  = "-" signed | power
 *     power   = counted ("^" signed)?                so -2^2 is -4, and 2^3^2 is 2^9
 *     counted = single ("!" | "%")*
 *     single  = number | "(" sum ")" | "choose(" sum ";" sum ")"
 */
final class Expression
{
    private const MAX_DEPTH = 50;
    private const MAX_FACTORIAL = 2000;
    private const MAX_EXPONENT = 10_000;
    /** Of any number on the way to the result: what a moment can work out. */
    private const MAX_DIGITS = 20_000;
    /** What the smallest step costs beside its digits. */
    private const LEAST_EFFORT = 20;
    private const SAME_SIGNS = [
        '×' => '*',
        '·' => '*',
        '⋅' => '*',
        '÷' => '/',
        ':' => '/',
        '−' => '-',
        '–' => '-',
        ',' => ';',
    ];

    /** @var list<array{string, int}> signs and numbers, each with its place in the text */
    private array $tokens = [];
    private int $at = 0;
    private int $depth = 0;

    private function __construct(string $text, private readonly Effort $effort, NumberNotation $notation)
    {
        preg_match_all('/' . $notation->pattern() . '|\p{L}+|\S/u', $text, $matches, \PREG_OFFSET_CAPTURE);
        foreach ($matches[0] as [$token, $byte]) {
            $token = 1 === preg_match('/\A\d/', $token) ? $notation->plain($token) : self::SAME_SIGNS[$token] ?? $token;
            $this->tokens[] = [$token, mb_strlen(substr($text, 0, $byte))];
        }
    }

    /** @throws UnreadableExpression */
    public static function valueOf(string $text, Effort $effort, NumberNotation $notation): BigRational
    {
        $expression = new self($text, $effort, $notation);
        if ([] === $expression->tokens) {
            throw UnreadableExpression::isEmpty();
        }
        $value = $expression->sum();
        if ($expression->at < count($expression->tokens)) {
            throw $expression->unexpected();
        }

        return $value;
    }

    private function sum(): BigRational
    {
        if (++$this->depth > self::MAX_DEPTH) {
            throw UnreadableExpression::tooDeep();
        }
        $value = $this->product();
        while (null !== ($sign = $this->findNext('+', '-'))) {
            $value = $this->withinReach(
                '+' === $sign ? $value->plus($this->product()) : $value->minus($this->product()),
            );
        }
        --$this->depth;

        return $value;
    }

    private function product(): BigRational
    {
        $value = $this->signed();
        while (null !== ($sign = $this->findNext('*', '/'))) {
            $other = $this->signed();
            if ('/' === $sign && $other->isZero()) {
                throw UnreadableExpression::divisionByZero();
            }
            $value = $this->withinReach('*' === $sign ? $value->multipliedBy($other) : $value->dividedBy($other));
        }

        return $value;
    }

    private function signed(): BigRational
    {
        $isNegative = false;
        while (null !== $this->findNext('-')) {
            $isNegative = !$isNegative;
        }
        $value = $this->power();

        return $isNegative ? $value->negated() : $value;
    }

    private function power(): BigRational
    {
        $base = $this->counted();
        if (null === $this->findNext('^')) {
            return $base;
        }
        if (++$this->depth > self::MAX_DEPTH) {
            throw UnreadableExpression::tooDeep();
        }
        $exponent = $this->signed();
        --$this->depth;
        $power = self::whole($exponent->abs(), 'A power', self::MAX_EXPONENT);
        if ($exponent->isNegative() && $base->isZero()) {
            throw UnreadableExpression::divisionByZero();
        }
        if (strlen((string) $base) * $power > self::MAX_DIGITS) {
            throw UnreadableExpression::needsWholeNumber(
                'This power',
                intdiv(self::MAX_DIGITS, strlen((string) $base)),
            );
        }

        return $this->withinReach(
            $exponent->isNegative() ? BigRational::one()->dividedBy($base->power($power)) : $base->power($power),
        );
    }

    private function counted(): BigRational
    {
        $value = $this->single();
        while (null !== ($sign = $this->findNext('!', '%'))) {
            $value = $this->withinReach(
                '!' === $sign
                    ? self::factorial(self::whole($value, 'A factorial', self::MAX_FACTORIAL))
                    : $value->dividedBy(100),
            );
        }

        return $value;
    }

    private function single(): BigRational
    {
        $token = $this->tokens[$this->at][0] ?? '';
        if (1 === preg_match('/\A\d/', $token)) {
            ++$this->at;

            return BigRational::of($token);
        }
        if (null !== $this->findNext('(')) {
            $value = $this->sum();
            $this->expect(')');

            return $value;
        }
        if (null !== $this->findNext('choose')) {
            return $this->choose();
        }
        throw $this->unexpected();
    }

    /** n!/(k!·(n−k)!), the number of ways to choose k of n. */
    private function choose(): BigRational
    {
        $this->expect('(');
        $n = self::whole($this->sum(), 'Choosing', self::MAX_FACTORIAL);
        $this->expect(';');
        $k = self::whole($this->sum(), 'Choosing', self::MAX_FACTORIAL);
        $this->expect(')');

        return $k > $n
            ? BigRational::zero()
            : $this->withinReach(
                self::factorial($n)->dividedBy(self::factorial($k)->multipliedBy(self::factorial($n - $k))),
            );
    }

    private static function factorial(int $of): BigRational
    {
        return BigRational::of(self::productFrom(2, $of));
    }

    /**
     * Halves multiplied with each other: numbers of like length are multiplied far more quickly than a long one with a
     * short.
     */
    private static function productFrom(int $first, int $last): BigInteger
    {
        if ($first >= $last) {
            return BigInteger::of($first > $last ? 1 : $first);
        }
        $middle = intdiv($first + $last, 2);

        return self::productFrom($first, $middle)->multipliedBy(self::productFrom($middle + 1, $last));
    }

    private function withinReach(BigRational $value): BigRational
    {
        $digits = strlen((string) $value);
        $this->effort->spend($digits + self::LEAST_EFFORT);

        return $digits <= self::MAX_DIGITS ? $value : throw UnreadableExpression::tooLarge(self::MAX_DIGITS);
    }

    private static function whole(BigRational $value, string $of, int $most): int
    {
        if ($value->isNegative() || $value->isGreaterThan($most) || !$value->getDenominator()->isEqualTo(1)) {
            throw UnreadableExpression::needsWholeNumber($of, $most);
        }

        return $value->toInt();
    }

    private function findNext(string ...$signs): ?string
    {
        $sign = $this->tokens[$this->at][0] ?? '';
        if (!in_array($sign, $signs, true)) {
            return null;
        }
        ++$this->at;

        return $sign;
    }

    private function expect(string $sign): void
    {
        if (null === $this->findNext($sign)) {
            throw $this->unexpected();
        }
    }

    private function unexpected(): UnreadableExpression
    {
        [$sign, $position] = $this->tokens[$this->at] ?? ['', 0];

        return UnreadableExpression::unexpected(mb_substr($sign, 0, 12), $position);
    }
}
