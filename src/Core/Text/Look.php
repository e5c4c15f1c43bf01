<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/**
 * How a paragraph looked in the file it came from, as far as it stood out there. Never printed: it is evidence for what
 * the paragraph is, kept until someone says.
 */
final readonly class Look
{
    /**
     * @param int|null    $size   of its letters, in percent of the body's; null for the same
     * @param string|null $align  “center” or “right”
     * @param bool        $caps   shown in capitals, whatever was typed
     * @param int|null    $before space above it, in points
     * @param int|null    $after  space below it, in points
     * @param string      $style  the name of its style in that file
     */
    public function __construct(
        public ?int $size = null,
        public ?string $align = null,
        public bool $caps = false,
        public ?int $before = null,
        public ?int $after = null,
        public string $style = '',
    ) {}

    /** @return array<string, mixed>|null null for a look that says nothing */
    public function toJson(): ?array
    {
        $json = array_filter(
            [
                'size' => $this->size,
                'align' => $this->align,
                'caps' => $this->caps,
                'before' => $this->before,
                'after' => $this->after,
                'style' => $this->style,
            ],
            static fn(mixed $value): bool => !in_array($value, [null, false, ''], true),
        );

        return [] === $json ? null : $json;
    }

    public static function of(Node $paragraph): self
    {
        $json = $paragraph->attribute('look');
        $json = is_array($json) ? $json : [];
        $number = static fn(string $field): ?int => is_int($json[$field] ?? null) ? $json[$field] : null;
        $text = static fn(string $field): ?string => is_string($json[$field] ?? null) ? $json[$field] : null;

        return new self(
            $number('size'),
            $text('align'),
            true === ($json['caps'] ?? false),
            $number('before'),
            $number('after'),
            $text('style') ?? '',
        );
    }

    public static function isSound(mixed $json): bool
    {
        if (!is_array($json)) {
            return false;
        }
        foreach ($json as $field => $value) {
            $isSound = match ($field) {
                'size', 'before', 'after' => is_int($value) && $value >= 0 && $value < 10_000,
                'align' => in_array($value, ['center', 'right'], true),
                'caps' => is_bool($value),
                'style' => is_string($value) && strlen($value) <= 255 && mb_check_encoding($value, 'UTF-8'),
                default => false,
            };
            if (!$isSound) {
                return false;
            }
        }

        return true;
    }
}
