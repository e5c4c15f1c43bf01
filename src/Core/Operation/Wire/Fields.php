<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Wire;

use Stemmata\Core\Language\Characters;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\InvalidStyleSheet;
use Stemmata\Core\Style\Shape;

/** Reads the fields of an operation that came from outside, each checked as it is asked for. */
final readonly class Fields
{
    private const MAX_TEXT_BYTES = 8192;

    /** @param array<mixed> $json */
    public function __construct(private array $json) {}

    public function has(string $field): bool
    {
        return isset($this->json[$field]);
    }

    /** Whether the field is there, be it null. */
    public function names(string $field): bool
    {
        return array_key_exists($field, $this->json);
    }

    public function raw(string $field): mixed
    {
        return $this->json[$field] ?? null;
    }

    public function text(string $field): string
    {
        $value = $this->raw($field);
        if (!is_string($value) || strlen($value) > self::MAX_TEXT_BYTES || !mb_check_encoding($value, 'UTF-8')) {
            throw InvalidOperation::field($field, 'a text of at most 8,192 bytes');
        }

        return Characters::cleaned($value);
    }

    /** What is said by hand of the look of a paragraph or a heading, or of words. @throws InvalidStyleSheet */
    public function shape(string $field): Shape
    {
        $written = $this->text($field);

        // Of words a size can be said that paragraphs cannot have.
        return Shape::read($written, Shape::isSound($written, true) && !Shape::isSound($written, false));
    }

    public function findText(string $field): ?string
    {
        return $this->has($field) ? $this->text($field) : null;
    }

    public function integer(string $field): int
    {
        $value = $this->raw($field);

        return is_int($value) ? $value : throw InvalidOperation::field($field, 'a whole number');
    }

    public function findInteger(string $field): ?int
    {
        return $this->has($field) ? $this->integer($field) : null;
    }

    public function findBoolean(string $field): ?bool
    {
        $value = $this->raw($field);

        return null === $value || is_bool($value) ? $value : throw InvalidOperation::field($field, 'true or false');
    }

    public function section(string $field): SectionId
    {
        return SectionId::fromString($this->text($field));
    }

    public function findSection(string $field): ?SectionId
    {
        return $this->has($field) ? $this->section($field) : null;
    }

    /** @return list<SectionId> */
    public function sections(): array
    {
        return array_map(
            static fn(mixed $id): SectionId => is_string($id)
                ? SectionId::fromString($id)
                : throw InvalidOperation::field('sections', 'a list of section ids'),
            $this->list('sections'),
        );
    }

    /** @return non-empty-list<int> */
    public function integers(string $field): array
    {
        $integers = array_map(
            static fn(mixed $value): int => is_int($value)
                ? $value
                : throw InvalidOperation::field($field, 'a list of whole numbers'),
            $this->list($field),
        );

        return [] === $integers
            ? throw InvalidOperation::field($field, 'a list of at least one whole number')
            : $integers;
    }

    /** @return array<mixed> */
    public function object(string $field): array
    {
        $value = $this->raw($field);

        return is_array($value) ? $value : throw InvalidOperation::field($field, 'an object');
    }

    /** @return list<mixed> */
    public function list(string $field): array
    {
        $value = $this->raw($field);

        return is_array($value) && array_is_list($value) ? $value : throw InvalidOperation::field($field, 'a list');
    }

    /**
     * @template E of \BackedEnum
     *
     * @param class-string<E> $enum
     * @param E|null          $default for a field that is not there
     * @param list<E>         $among   those that may be asked for; all of them when it is empty
     *
     * @return E
     */
    public function oneOf(string $field, string $enum, ?\BackedEnum $default = null, array $among = []): \BackedEnum
    {
        if (null !== $default && !$this->has($field)) {
            return $default;
        }
        $value = $this->raw($field);
        $case = is_string($value) ? $enum::tryFrom($value) : null;
        $among = [] === $among ? $enum::cases() : $among;
        if (null !== $case && in_array($case, $among, true)) {
            return $case;
        }
        $allowed = array_map(static fn(\BackedEnum $each): string => '“' . $each->value . '”', $among);

        throw InvalidOperation::field($field, 'one of ' . implode(', ', $allowed));
    }
}
