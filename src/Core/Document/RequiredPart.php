<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Outline\InvalidSectionId;
use Stemmata\Core\Outline\SectionId;

/** A part that a document must have, and the section that was put there for it. */
final readonly class RequiredPart
{
    public function __construct(public string $name, public SectionId $section) {}

    /** @return array<string, string> */
    public function toJson(): array
    {
        return ['name' => $this->name, 'section' => $this->section->value];
    }

    /** @throws InvalidSectionId */
    public static function fromJson(mixed $json): self
    {
        $text = static fn(string $field): string => is_array($json) && is_string($json[$field] ?? null)
            ? $json[$field]
            : '';

        return new self(mb_substr($text('name'), 0, 200), SectionId::fromString($text('section')));
    }
}
