<?php

declare(strict_types=1);

namespace Stemmata\Core\Calculation;

use Brick\Math\BigRational;
use Brick\Math\Exception\MathException;
use Brick\Math\RoundingMode;

/** Arithmetic that stands in a text: worked out exactly, never in floating point. */
final class Calculation
{
    /** Longer expressions are no line of a text. */
    public const MAX_LENGTH = 2000;
    /** A result of more digits than this is told by its size. */
    private const MAX_DIGITS = 1000;
    private const ROUNDED_TO = 12;

    /**
     * @param Effort $effort   shared by the calculations of one document
     * @param string $language a tag after BCP 47: of the text, for how it writes numbers
     */
    public static function of(string $expression, Effort $effort = new Effort(), string $language = ''): Solved|Unsolved
    {
        if (mb_strlen($expression) > self::MAX_LENGTH) {
            return new Unsolved(sprintf('A calculation holds at most %s characters.', number_format(self::MAX_LENGTH)));
        }
        try {
            $effort->beginOne();

            return self::worded(Expression::valueOf($expression, $effort, NumberNotation::of($language)));
        } catch (UnreadableExpression $problem) {
            return new Unsolved($problem->getMessage());
        } catch (MathException) {
            return new Unsolved('This cannot be worked out.');
        }
    }

    private static function worded(BigRational $value): Solved
    {
        $text = (string) $value;
        if (strlen($text) > self::MAX_DIGITS) {
            return new Solved(sprintf('a number of %s digits', number_format(strlen($text))));
        }
        if (!str_contains($text, '/')) {
            return new Solved($text);
        }
        $decimal = rtrim((string) $value->toScale(self::ROUNDED_TO, RoundingMode::HalfUp), '0');

        return BigRational::of($decimal)->isEqualTo($value)
            ? new Solved($decimal)
            : new Solved($text . ' ≈ ' . $decimal);
    }
}
