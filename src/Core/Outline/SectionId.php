<?php

declare(strict_types=1);

namespace Stemmata\Core\Outline;

/**
 * The name a section keeps for life: a small letter and eleven digits or small letters (61 bits). The letter keeps PHP
 * from reading an id of digits, used as an array key, as a number.
 */
final readonly class SectionId
{
    public const LENGTH = 12;
    /** For whatever else has to know one from other words. */
    public const PATTERN = '[a-z][0-9a-z]{11}';

    private function __construct(public string $value) {}

    /** @throws InvalidSectionId */
    public static function fromString(string $value): self
    {
        if (1 !== preg_match('/\A' . self::PATTERN . '\z/', $value)) {
            throw InvalidSectionId::malformed($value);
        }

        return new self($value);
    }
}
