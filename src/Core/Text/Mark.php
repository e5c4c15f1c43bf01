<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** What is said of a stretch of text: emphasis, strong, code, superscript, subscript, link. */
final readonly class Mark
{
    /** @param array<string, scalar|null> $attributes */
    public function __construct(public string $type, public array $attributes = []) {}

    public static function link(string $target, ?string $hint = null): self
    {
        return new self('link', ['href' => $target, 'title' => $hint]);
    }

    /** @return array<string, mixed> as the editor keeps it */
    public function toJson(): array
    {
        return ['type' => $this->type] + ([] === $this->attributes ? [] : ['attrs' => $this->attributes]);
    }

    /** @return scalar|null */
    public function attribute(string $name): string|int|float|bool|null
    {
        return $this->attributes[$name] ?? null;
    }
}
