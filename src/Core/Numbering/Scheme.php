<?php

declare(strict_types=1);

namespace Stemmata\Core\Numbering;

/**
 * How a document numbers its headings: one rule per level, another row of rules for appendices, and the few sections at
 * which counting is set to a number on purpose.
 */
final readonly class Scheme
{
    /**
     * @param array<int, LevelNumber> $levels     by level, 1 to 9; a level that is not there bears no numbers
     * @param array<int, LevelNumber> $appendices the same for sections marked as appendices and what is under them
     * @param array<string, int>      $starts     by section id, the number at which counting is set
     */
    private function __construct(public array $levels, public array $appendices, public array $starts) {}

    /**
     * ISO 2145: Arabic numerals, a full stop between levels, none after the last. Appendices bear letters (common
     * practice).
     */
    public static function decimal(): self
    {
        $levels = array_fill(1, 9, new LevelNumber());

        return new self($levels, [1 => new LevelNumber(NumberStyle::UpperLetter, 'Appendix', false)] + $levels, []);
    }

    /**
     * @param array<int, LevelNumber> $levels
     * @param array<int, LevelNumber> $appendices
     * @param array<string, int>      $starts
     */
    public static function of(array $levels, array $appendices, array $starts = []): self
    {
        return new self($levels, $appendices, $starts);
    }

    public function isDecimal(): bool
    {
        return $this == self::decimal();
    }

    /**
     * Whether a number stands for a heading without words: “Chapter 4” says something, a bare 4 that we count ourselves
     * does not.
     */
    public function namesSections(): bool
    {
        return !$this->isDecimal();
    }

    /** @param array<string, int> $starts */
    public function withStarts(array $starts): self
    {
        return new self($this->levels, $this->appendices, $starts);
    }

    public function findLevel(bool $isAppendix, int $level): ?LevelNumber
    {
        return ($isAppendix ? $this->appendices : $this->levels)[$level] ?? null;
    }

    /** @return array<string, mixed>|null null for the plain one */
    public function toJson(): ?array
    {
        if ($this->isDecimal()) {
            return null;
        }
        $rule = static fn(LevelNumber $level): array => $level->toJson();

        return [
            'levels' => (object) array_map($rule, $this->levels),
            'appendices' => (object) array_map($rule, $this->appendices),
            'starts' => (object) $this->starts,
        ];
    }

    /** @throws InvalidScheme */
    public static function fromJson(mixed $json): self
    {
        if (null === $json) {
            return self::decimal();
        }
        if (!is_array($json)) {
            throw InvalidScheme::malformed();
        }
        $starts = [];
        foreach (self::row($json, 'starts') as $id => $start) {
            $starts[(string) $id] = is_int($start) && $start >= 0 ? $start : throw InvalidScheme::malformed();
        }

        return new self(self::readLevels($json, 'levels'), self::readLevels($json, 'appendices'), $starts);
    }

    /**
     * @param array<mixed> $json
     *
     * @return array<int, LevelNumber>
     */
    private static function readLevels(array $json, string $field): array
    {
        $levels = [];
        foreach (self::row($json, $field) as $level => $rule) {
            $isLevel = (int) $level >= 1 && (int) $level <= 9;
            $levels[(int) $level] =
                $isLevel && is_array($rule) ? LevelNumber::fromJson($rule) : throw InvalidScheme::malformed();
        }

        return $levels;
    }

    /**
     * @param array<mixed> $json
     *
     * @return array<mixed>
     */
    private static function row(array $json, string $field): array
    {
        $row = $json[$field] ?? [];

        return is_array($row) ? $row : throw InvalidScheme::malformed();
    }
}
