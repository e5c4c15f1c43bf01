<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

/** A query as it travels: `words`, and as far as they differ from what is usual `mode`, `fields` and what matters. */
final class QueryForm
{
    /**
     * @param array<mixed> $json
     *
     * @throws InvalidQuery
     */
    public static function read(array $json): Query
    {
        $mode = $json['mode'] ?? FindMode::Words->value;
        $fields = $json['fields'] ?? null;

        return new Query(
            is_string($json['words'] ?? null) && mb_check_encoding($json['words'], 'UTF-8') ? $json['words'] : '',
            (is_string($mode) ? FindMode::tryFrom($mode) : null) ?? throw InvalidQuery::unknown('mode'),
            self::isSet($json, 'caseMatters'),
            self::isSet($json, 'diacriticsMatter'),
            self::isSet($json, 'wholeWords'),
            null === $fields ? Field::cases() : self::fields($fields),
        );
    }

    /** @param array<mixed> $json */
    private static function isSet(array $json, string $name): bool
    {
        $value = $json[$name] ?? false;

        return is_bool($value) ? $value : throw InvalidQuery::unknown($name);
    }

    /** @return list<Field> */
    private static function fields(mixed $names): array
    {
        return array_map(
            static fn(mixed $name): Field => (is_string($name) ? Field::tryFrom($name) : null) ??
                throw InvalidQuery::unknown('fields'),
            is_array($names) ? array_values($names) : throw InvalidQuery::unknown('fields'),
        );
    }
}
