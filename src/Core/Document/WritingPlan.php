<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

/** When a document is to be finished, and how much one sitting is to bring. */
final readonly class WritingPlan
{
    /**
     * @param string|null $deadline    a day, as “2026-11-29”
     * @param int|null    $sittingGoal words, 1 or more
     */
    public function __construct(public ?string $deadline = null, public ?int $sittingGoal = null) {}

    public static function isDay(string $day): bool
    {
        $read = \DateTimeImmutable::createFromFormat('!Y-m-d', $day);

        return false !== $read && $read->format('Y-m-d') === $day;
    }

    /** @return int|null days from today on to the deadline, both counted; 0 when it is past, null without one */
    public function daysLeft(\DateTimeImmutable $today): ?int
    {
        if (null === $this->deadline) {
            return null;
        }
        $days = (new \DateTimeImmutable($today->format('Y-m-d')))->diff(new \DateTimeImmutable($this->deadline));

        return 1 === $days->invert ? 0 : (int) $days->days + 1;
    }

    /** @return int|null words that each of the days left must bring; null when none is needed, or no day is left */
    public function wordsADay(int $words, ?int $target, \DateTimeImmutable $today): ?int
    {
        $days = $this->daysLeft($today);

        return null === $target || null === $days || 0 === $days || $words >= $target
            ? null
            : (int) ceil(($target - $words) / $days);
    }

    /** @return array<string, mixed> */
    public function toJson(): array
    {
        return array_filter(['deadline' => $this->deadline, 'sittingGoal' => $this->sittingGoal]);
    }

    public static function fromJson(mixed $json): self
    {
        $deadline = is_array($json) ? $json['deadline'] ?? null : null;
        $goal = is_array($json) ? $json['sittingGoal'] ?? null : null;

        return new self(
            is_string($deadline) && self::isDay($deadline) ? $deadline : null,
            is_int($goal) && $goal > 0 ? $goal : null,
        );
    }
}
