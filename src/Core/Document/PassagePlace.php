<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Utf16;

/** Where in a text a passage stood: between which words, and whether it began or ended within a paragraph. */
final readonly class PassagePlace
{
    /** Characters kept of either side. */
    private const KEPT = 40;

    private function __construct(
        public string $before,
        public string $after,
        private bool $opensBefore,
        private bool $opensAfter,
    ) {}

    /** @param Body $body the text before the passage is taken out of it */
    public static function of(Body $body, int $from, int $to): self
    {
        return new self(
            self::joined(array_slice(self::signs($body->cut(0, $from)), -self::KEPT)),
            self::joined(array_slice(self::signs($body->cut($to, $body->size())), 0, self::KEPT)),
            $body->isWithinParagraph($from),
            $body->isWithinParagraph($to),
        );
    }

    /** @param array<mixed> $stored as toJson() made it */
    public static function fromJson(array $stored): ?self
    {
        [$before, $after, $opensBefore, $opensAfter] = [...array_values($stored), null, null, null, null];

        return is_string($before) && is_string($after)
            ? new self($before, $after, true === $opensBefore, true === $opensAfter)
            : null;
    }

    /** @return array{string, string, bool, bool} */
    public function toJson(): array
    {
        return [$this->before, $this->after, $this->opensBefore, $this->opensAfter];
    }

    /** The text with the passage between the same words again; null when they are not there, or more than once. */
    public function findIn(Body $body, Body $passage): ?Body
    {
        $signs = self::signs($body);
        $text = self::joined($signs);
        $found = strpos($text, $this->before . $this->after);
        if (
            false === $found ||
            ('' !== $this->before . $this->after && false !== strpos($text, $this->before . $this->after, $found + 1))
        ) {
            return null;
        }
        $index = mb_strlen(substr($text, 0, $found)) + mb_strlen($this->before);
        $at = match (true) {
            isset($signs[$index - 1]) && $this->opensBefore => $signs[$index - 1][0] +
                Utf16::length($signs[$index - 1][1]),
            isset($signs[$index]) => $signs[$index][0],
            default => $body->size(),
        };

        return $body->withPassage($at, $passage, $this->opensBefore, $this->opensAfter);
    }

    /** @return list<array{int, string}> every character of the words with its place */
    private static function signs(Body $body): array
    {
        $signs = [];
        self::collect($body->blocks, 0, $signs);

        return $signs;
    }

    /**
     * @param list<Node>               $content
     * @param list<array{int, string}> $signs
     */
    private static function collect(array $content, int $at, array &$signs): void
    {
        foreach ($content as $node) {
            if ($node->isText()) {
                $place = $at;
                foreach (mb_str_split($node->text) as $sign) {
                    $signs[] = [$place, $sign];
                    $place += Utf16::length($sign);
                }
            } else {
                self::collect($node->content, $at + 1, $signs);
            }
            $at += $node->size();
        }
    }

    /** @param list<array{int, string}> $signs */
    private static function joined(array $signs): string
    {
        return implode('', array_column($signs, 1));
    }
}
