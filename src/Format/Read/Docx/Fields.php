<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

/**
 * The fields that are open at a place in the text (ECMA-376-1, 17.16): instruction first, then what it came to. They
 * may run over paragraphs and nest.
 */
final class Fields
{
    /** @var list<array{string, bool}> instruction, and whether its result has begun */
    private array $open = [];

    public function begin(): void
    {
        $this->open[] = ['', false];
    }

    public function instruct(string $words): void
    {
        $field = array_pop($this->open);
        if (null !== $field) {
            $this->open[] = [$field[0] . $words, $field[1]];
        }
    }

    public function separate(): void
    {
        $field = array_pop($this->open);
        if (null !== $field) {
            $this->open[] = [$field[0], true];
        }
    }

    public function end(): void
    {
        array_pop($this->open);
    }

    public function isInstruction(): bool
    {
        return [] !== $this->open && !$this->open[count($this->open) - 1][1];
    }

    public function isContents(): bool
    {
        foreach ($this->open as [$instruction]) {
            if (self::isContentsInstruction($instruction)) {
                return true;
            }
        }

        return false;
    }

    public static function isContentsInstruction(string $instruction): bool
    {
        return 1 === preg_match('/\A\s*(?:TOC|INDEX)\b/i', $instruction);
    }

    /** Where the result being read leads: an address, “#name” for a bookmark, or null. */
    public function findTarget(): ?string
    {
        foreach (array_reverse($this->open) as [$instruction, $hasBegun]) {
            $target = $hasBegun ? self::targetOf($instruction) : null;
            if (null !== $target) {
                return $target;
            }
        }

        return null;
    }

    public static function targetOf(string $instruction): ?string
    {
        if (
            1 ===
            preg_match(
                '/\A\s*HYPERLINK\s+(?:"([^"]*)"|(?!\\\\)(\S+))?\s*(?:.*?\\\\l\s+"?([^"\s]+)"?)?/i',
                $instruction,
                $match,
            )
        ) {
            $address = $match[1] ?? '' ?: $match[2] ?? '';

            return '' === ($match[3] ?? '') ? ('' === $address ? null : $address) : $address . '#' . $match[3];
        }

        return 1 === preg_match('/\A\s*(?:REF|PAGEREF|NOTEREF)\s+"?([^"\s\\\\]+)/i', $instruction, $match)
            ? '#' . $match[1]
            : null;
    }
}
