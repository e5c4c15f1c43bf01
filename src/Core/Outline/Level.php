<?php

declare(strict_types=1);

namespace Stemmata\Core\Outline;

/** The rank of a heading, 1 the most important. The opening, which has no heading, stands at level 0. */
enum Level: int
{
    case Opening = 0;
    case One = 1;
    case Two = 2;
    case Three = 3;
    case Four = 4;
    case Five = 5;
    case Six = 6;
    case Seven = 7;
    case Eight = 8;
    case Nine = 9;

    /** @throws InvalidLevel unless $value lies between 1 and 9 */
    public static function ofHeading(int $value): self
    {
        if ($value < 1 || $value > 9) {
            throw InvalidLevel::outOfRange($value);
        }

        return self::from($value);
    }

    public function isOpening(): bool
    {
        return self::Opening === $this;
    }

    /** The level that a section nested directly inside this one takes; nine when there is none deeper. */
    public function inside(): self
    {
        return self::from(min(9, $this->value + 1));
    }
}
