<?php

declare(strict_types=1);

namespace Stemmata\Core\Calculation;

/**
 * How much is worked out at most, in digits handled: for one calculation, and for all of a document together. Some 2
 * million take a second on a machine of 2026; counted, not timed, so that a document comes to the same everywhere.
 */
final class Effort
{
    public const OF_ONE = 2_000_000;
    public const OF_ALL = 8_000_000;

    private int $leftForOne = 0;

    public function __construct(private int $left = self::OF_ALL) {}

    /** @throws UnreadableExpression when the document has used up what it may */
    public function beginOne(): void
    {
        if ($this->left <= 0) {
            throw UnreadableExpression::tooMuchInAll();
        }
        $this->leftForOne = self::OF_ONE;
    }

    /**
     * @param int $digits of the numbers that a step works on
     *
     * @throws UnreadableExpression
     */
    public function spend(int $digits): void
    {
        $this->left -= $digits;
        $this->leftForOne -= $digits;
        if ($this->leftForOne < 0) {
            throw UnreadableExpression::tooMuch();
        }
    }
}
