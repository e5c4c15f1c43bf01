<?php

declare(strict_types=1);

namespace Stemmata\Format\Starter;

use Stemmata\Core\Numbering\LevelNumber;
use Stemmata\Core\Numbering\NumberStyle;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Starter\Starter;
use Stemmata\Core\Starter\StarterPart;
use Symfony\Component\Yaml\Yaml;

/** The starters that ship with Stemmata, from the folder of that name; their order is that of the list there. */
final readonly class ShippedStarters
{
    public function __construct(private string $folder) {}

    /** @return list<Starter> */
    public function all(): array
    {
        $names = Yaml::parseFile($this->folder . '/index.yaml');

        return array_map($this->read(...), array_values(array_filter(is_array($names) ? $names : [], is_string(...))));
    }

    public function find(string $id): ?Starter
    {
        foreach ($this->all() as $starter) {
            if ($starter->id === $id) {
                return $starter;
            }
        }

        return null;
    }

    private function read(string $id): Starter
    {
        $file = (array) Yaml::parseFile($this->folder . '/' . $id . '.yaml');
        $text = static fn(string $field): string => is_string($file[$field] ?? null) ? $file[$field] : '';
        $parts = [];
        self::collect($file['parts'] ?? [], 1, $parts);

        return new Starter(
            $id,
            $text('name'),
            $text('description'),
            $parts,
            self::numbering($text('numbering')),
            $text('guidingStatement'),
        );
    }

    /** @param list<StarterPart> $parts */
    private static function collect(mixed $entries, int $level, array &$parts): void
    {
        foreach (is_array($entries) ? $entries : [] as $entry) {
            if (!is_array($entry)) {
                continue;
            }
            $parts[] = new StarterPart(
                $level,
                is_string($entry['heading'] ?? null) ? $entry['heading'] : '',
                is_string($entry['aim'] ?? null) ? $entry['aim'] : '',
                is_int($entry['target'] ?? null) ? $entry['target'] : null,
                true === ($entry['required'] ?? false),
                false !== ($entry['numbered'] ?? true),
                true === ($entry['appendix'] ?? false),
            );
            self::collect($entry['parts'] ?? [], $level + 1, $parts);
        }
    }

    private static function numbering(string $name): Scheme
    {
        $plain = Scheme::decimal();

        return match ($name) {
            // The question stands before the count, so that argument 1 bears the number 1.
            'from-nought' => Scheme::of([1 => new LevelNumber(start: 0)] + $plain->levels, $plain->appendices),
            'chapters' => Scheme::of(
                [1 => new LevelNumber(NumberStyle::Arabic, 'Chapter', false)] + $plain->levels,
                $plain->appendices,
            ),
            default => $plain,
        };
    }
}
