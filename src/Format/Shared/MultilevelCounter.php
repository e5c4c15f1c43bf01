<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Numbering\NumberStyle;

/**
 * Counts numbered paragraphs as programs do that follow ECMA-376-1, 17.9: instances of one definition count together, a
 * higher level lets the deeper ones begin anew, and a level that was not met yet shows the number it would begin with.
 *
 * @phpstan-type LevelRule array{format: string, text: string, start: int, restart: int|null}
 */
final class MultilevelCounter
{
    public const STYLES = [
        'decimal' => NumberStyle::Arabic,
        'upperRoman' => NumberStyle::UpperRoman,
        'lowerRoman' => NumberStyle::LowerRoman,
        'upperLetter' => NumberStyle::UpperLetter,
        'lowerLetter' => NumberStyle::LowerLetter,
        'cardinalText' => NumberStyle::Spelled,
    ];

    /** @var array<string, array<int, LevelRule>> by definition and level */
    private array $levels = [];
    /** @var array<string, string> definitions by instance */
    private array $definitions = [];
    /**
     * @var array<string, array<int, LevelRule>> levels that an instance words otherwise than its definition,
     *     by instance
     */
    private array $own = [];
    /** @var array<string, array<int, int>> starts set anew and not yet used, by instance and level */
    private array $overrides = [];
    /** @var array<string, array<int, int>> the same for instances that were met, by definition */
    private array $starts = [];
    /** @var array<string, array<int, int>> the last number at each level, by definition */
    private array $counts = [];

    /**
     * @param array<int, LevelRule> $levels by level,
     *     from 0; a restart of 0 says that none of the higher levels lets it begin anew
     */
    public function define(string $definition, array $levels): void
    {
        $this->levels[$definition] = $levels;
    }

    /**
     * @param array<int, int>       $overrides starts set anew, by level
     * @param array<int, LevelRule> $own       levels that it words otherwise than the definition
     */
    public function instance(string $instance, string $definition, array $overrides = [], array $own = []): void
    {
        $this->own[$instance] = $own;
        $this->definitions[$instance] = $definition;
        $this->overrides[$instance] = $overrides;
    }

    public function has(string $instance): bool
    {
        return isset($this->definitions[$instance]);
    }

    public function format(string $instance, int $level): string
    {
        return $this->level($instance, $level)['format'];
    }

    /** Counts one on at a level, and tells the number. */
    public function next(string $instance, int $level): int
    {
        $key = $this->definitions[$instance] ?? '';
        foreach ($this->overrides[$instance] ?? [] as $at => $start) {
            $this->starts[$key][$at] = $start;
            unset($this->counts[$key][$at]);
        }
        unset($this->overrides[$instance]);
        $this->counts[$key][$level] = isset($this->counts[$key][$level])
            ? $this->counts[$key][$level] + 1
            : $this->start($instance, $level);
        unset($this->starts[$key][$level]);
        foreach (array_keys($this->counts[$key]) as $deeper) {
            $restart = $this->level($instance, $deeper)['restart'];
            if ($deeper > $level && (null === $restart || $level < $restart)) {
                unset($this->counts[$key][$deeper]);
            }
        }

        return $this->counts[$key][$level];
    }

    /** Whether a number at this level was met since the last one above it. */
    public function isCounted(string $instance, int $level): bool
    {
        return isset($this->counts[$this->definitions[$instance] ?? ''][$level]);
    }

    /** What stands before the paragraph that was just counted: “%1.%2” filled in. */
    public function printed(string $instance, int $level): string
    {
        $counts = $this->counts[$this->definitions[$instance] ?? ''] ?? [];

        return trim(
            (string) preg_replace_callback(
                '/%([1-9])/',
                function (array $match) use ($instance, $counts): string {
                    $of = (int) $match[1] - 1;

                    return (self::STYLES[$this->level($instance, $of)['format']] ?? NumberStyle::Arabic)->written(
                        $counts[$of] ?? $this->start($instance, $of),
                    );
                },
                $this->level($instance, $level)['text'],
            ),
        );
    }

    private function start(string $instance, int $level): int
    {
        return $this->starts[$this->definitions[$instance] ?? ''][$level] ?? $this->level($instance, $level)['start'];
    }

    /** @return LevelRule */
    private function level(string $instance, int $level): array
    {
        return $this->own[$instance][$level] ??
            ($this->levels[$this->definitions[$instance] ?? ''][$level] ?? [
                'format' => 'decimal',
                'text' => '%' . ($level + 1),
                'start' => 1,
                'restart' => null,
            ]);
    }
}
