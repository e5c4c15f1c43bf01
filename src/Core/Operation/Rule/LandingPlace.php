<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

/**
 * A gap in an outline and the level that a branch takes there: the one rule for moving, inserting and bringing back.
 */
final readonly class LandingPlace
{
    private function __construct(public int $position, public Level $level) {}

    public static function in(Outline $outline, Landing $landing, SectionId $target): self|Refused
    {
        $position = $outline->findPosition($target);
        if (null === $position) {
            return Refused::unknownSection($target->value);
        }
        $level = $outline->levelAt($position);
        if ($level->isOpening()) {
            // Nothing is ever under the opening; what is dropped on it or after it begins the document proper.
            return Landing::Before === $landing ? Refused::beforeOpening() : new self($position + 1, Level::One);
        }
        if (Landing::Inside === $landing && Level::Nine === $level) {
            return Refused::nothingDeeper();
        }

        return match ($landing) {
            Landing::Before => new self($position, $level),
            Landing::After => new self($outline->branchEnd($position), $level),
            Landing::Inside => new self($outline->branchEnd($position), $level->inside()),
        };
    }
}
