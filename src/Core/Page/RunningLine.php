<?php

declare(strict_types=1);

namespace Stemmata\Core\Page;

use Stemmata\Core\Language\Characters;

/** A header or a footer: what stands at its start, in its middle and at its end, each of words and fields in a row. */
final readonly class RunningLine
{
    public const PLACES = ['start', 'middle', 'end'];
    private const MAX_PARTS = 12;
    private const MAX_WORDS = 200;

    /**
     * @param list<string|RunningField> $start
     * @param list<string|RunningField> $middle
     * @param list<string|RunningField> $end
     */
    public function __construct(public array $start = [], public array $middle = [], public array $end = []) {}

    public function isEmpty(): bool
    {
        return [] === $this->start && [] === $this->middle && [] === $this->end;
    }

    /** The same as it stands on a left-hand page. */
    public function mirrored(): self
    {
        return new self($this->end, $this->middle, $this->start);
    }

    /** @return array<string, list<string|array{field: string}>> by place; places without anything left out */
    public function toJson(): array
    {
        $json = [];
        foreach (self::PLACES as $place) {
            $json[$place] = array_map(
                static fn(string|RunningField $part): string|array => is_string($part)
                    ? $part
                    : ['field' => $part->value],
                $this->{$place},
            );
        }

        return array_filter($json);
    }

    /** @throws InvalidPageSetup */
    public static function fromJson(mixed $json): self
    {
        if (!is_array($json)) {
            throw InvalidPageSetup::malformed();
        }

        return new self(
            ...array_map(static fn(string $place): array => self::parts($json[$place] ?? []), self::PLACES),
        );
    }

    /** @return list<string|RunningField> */
    private static function parts(mixed $json): array
    {
        if (!is_array($json) || !array_is_list($json) || count($json) > self::MAX_PARTS) {
            throw InvalidPageSetup::runningLine();
        }
        $parts = [];
        foreach ($json as $part) {
            if (is_string($part)) {
                if (mb_strlen($part) > self::MAX_WORDS || !mb_check_encoding($part, 'UTF-8')) {
                    throw InvalidPageSetup::runningLine();
                }
                $parts[] = Characters::cleaned($part);
                continue;
            }
            $field = is_array($part) ? $part['field'] ?? null : null;
            $parts[] =
                (is_string($field) ? RunningField::tryFrom($field) : null) ?? throw InvalidPageSetup::runningLine();
        }

        return array_values(array_filter($parts, static fn(string|RunningField $part): bool => '' !== $part));
    }
}
