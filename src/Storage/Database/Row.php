<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

/** A row that we stored ourselves, with each field's type asserted as it is read. */
final readonly class Row
{
    /** @param array<mixed> $fields */
    public function __construct(private array $fields) {}

    public function text(string $name): string
    {
        $value = $this->fields[$name] ?? null;
        assert(is_string($value), sprintf('The stored field “%s” holds no text.', $name));

        return $value;
    }

    public function findText(string $name): ?string
    {
        return isset($this->fields[$name]) ? $this->text($name) : null;
    }

    public function integer(string $name): int
    {
        $value = $this->fields[$name] ?? null;
        assert(is_int($value), sprintf('The stored field “%s” holds no whole number.', $name));

        return $value;
    }

    public function findInteger(string $name): ?int
    {
        return isset($this->fields[$name]) ? $this->integer($name) : null;
    }

    /** @return array<mixed> */
    public function list(string $name): array
    {
        $value = $this->fields[$name] ?? null;
        assert(is_array($value), sprintf('The stored field “%s” holds no list.', $name));

        return $value;
    }

    public function findRow(string $name): ?self
    {
        return isset($this->fields[$name]) ? new self($this->list($name)) : null;
    }
}
