<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Utf16;

/** Where in a text a passage stood: between which words, and whether it began or ended within a paragraph. */
final readonly class PassagePlace
{
    /** Stands for a part without words, as in Unicode (object replacement character). */
    private const PART = "\u{FFFC}";
    /** Characters kept of either side. */
    private const KEPT = 40;

    private function __construct(
        public string $before,
        public string $after,
        public int $depthBefore,
        public int $depthAfter,
    ) {}

    /** @param Body $body the text before the passage is taken out of it */
    public static function of(Body $body, int $from, int $to): self
    {
        return new self(
            self::joined(array_slice(self::signs($body->cut(0, $from)), -self::KEPT)),
            self::joined(array_slice(self::signs($body->cut($to, $body->size())), 0, self::KEPT)),
            $body->openDepthAt($from),
            $body->openDepthAt($to),
        );
    }

    /** @param array<mixed> $stored as toJson() made it */
    public static function fromJson(array $stored): ?self
    {
        [$before, $after, $depthBefore, $depthAfter] = [...array_values($stored), null, null, 0, 0];

        return is_string($before) && is_string($after)
            ? new self($before, $after, self::depth($depthBefore), self::depth($depthAfter))
            : null;
    }

    /** Until 1 December 2026 only paragraphs were known to go on, and it was yes or no. */
    private static function depth(mixed $stored): int
    {
        return is_int($stored) ? max(0, $stored) : (int) (true === $stored);
    }

    /** @return array{string, string, int, int} */
    public function toJson(): array
    {
        return [$this->before, $this->after, $this->depthBefore, $this->depthAfter];
    }

    /** The text with the passage between the same words again; null when they are not there, or more than once. */
    public function findIn(Body $body, Body $passage): ?Body
    {
        $at = $this->findAt($body);

        return null === $at ? null : $body->withPassage($at, $passage, $this->depthBefore, $this->depthAfter);
    }

    /** Where in the text the passage stood, as the editor counts; null when its words are not there, or more than once. */
    public function findAt(Body $body): ?int
    {
        $signs = self::signs($body);
        $isOfWord = static fn(array $sign): bool => self::PART !== $sign[1];

        // Separators, pictures and places tell it to the spot; where one has come or gone since, the words still do.
        return $this->findAmong($signs, $this->before, $this->after, $body->size()) ??
            $this->findAmong(
                array_values(array_filter($signs, $isOfWord)),
                str_replace(self::PART, '', $this->before),
                str_replace(self::PART, '', $this->after),
                $body->size(),
            );
    }

    /** @param list<array{int, string}> $signs */
    private function findAmong(array $signs, string $before, string $after, int $size): ?int
    {
        $text = self::joined($signs);
        $found = strpos($text, $before . $after);
        if (false === $found || ('' !== $before . $after && false !== strpos($text, $before . $after, $found + 1))) {
            return null;
        }
        $index = mb_strlen(substr($text, 0, $found)) + mb_strlen($before);

        return match (true) {
            isset($signs[$index - 1]) && $this->depthBefore > 0 => $signs[$index - 1][0] +
                Utf16::length($signs[$index - 1][1]),
            isset($signs[$index]) => $signs[$index][0],
            default => $size,
        };
    }

    /** @return list<array{int, string}> every character of the words, and every part without words, with its place */
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
            } elseif (BodySchema::isLeaf($node->type)) {
                $signs[] = [$at, self::PART];
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
