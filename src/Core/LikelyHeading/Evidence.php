<?php

declare(strict_types=1);

namespace Stemmata\Core\LikelyHeading;

/**
 * What speaks for and against a line being a heading, each with its weight. Weights are ours, set on made documents of
 * many habits (tests/Core/LikelyHeading); their sum, from 0 to 1, is the confidence.
 */
final readonly class Evidence
{
    private const BASE = 0.22;

    /** @param list<array{float, string}> $points weight and reason; an empty reason is not worth telling */
    private function __construct(private array $points) {}

    public static function of(Line $line, Surround $surround): self
    {
        $points = [
            [$line->isLarge() ? 0.26 : 0, sprintf('set larger than the text (%d %%)', $line->size)],
            [$line->isBold ? 0.22 : 0, 'all bold'],
            [$line->isCaps ? ($line->words < 2 && mb_strlen($line->text) < 4 ? 0 : 0.2) : 0, 'all in capitals'],
            [$line->isItalic ? ($line->isBold ? 0.02 : 0.12) : 0, 'all in italics'],
            [$line->isCentred ? 0.1 : 0, 'set in the middle'],
            [$line->hasHeadingStyle() ? 0.25 : 0, sprintf('in the style “%s”', $line->style)],
            [
                self::numberWeight($line),
                null === $line->number ? '' : sprintf('bears the number “%s”', $line->number->label()),
            ],
            [$line->hasSpaceAround ? 0.06 : 0, 'space around it'],
            [
                $surround->linesAlike >= 2 ? min(0.12, 0.04 * $surround->linesAlike) : 0,
                sprintf('%d lines look the same', $surround->linesAlike),
            ],
            [$surround->textFollows ? 0.12 : -0.3, $surround->textFollows ? 'text follows' : ''],
            [$line->words <= 10 ? 0.08 : ($line->words > 14 ? -0.12 : 0), $line->words <= 10 ? 'short' : ''],
            [
                match (true) {
                    1 === preg_match('/[.…]/u', $line->ending) => null === $line->number ||
                    '' !== trim($line->number->rest, ' .')
                        ? -0.34
                        : 0.0,
                    1 === preg_match('/[,;:–—-]/u', $line->ending) => -0.34,
                    1 === preg_match('/[!?]/u', $line->ending) => -0.04,
                    default => 0.06,
                },
                1 === preg_match('/[\p{L}\p{N})”’"\']/u', $line->ending) ? 'no stop at its end' : '',
            ],
            [1 === preg_match('/\A\p{Ll}/u', $line->text) ? -0.3 : 0, ''],
            [1 === preg_match('/[.!?]\s+\p{Lu}/u', $line->number->rest ?? $line->text) ? -0.25 : 0, ''],
            [$surround->rowLength >= 3 ? -0.6 : 0, ''],
            [$line->isOfOtherKind() ? -0.6 : 0, ''],
        ];

        return new self(
            array_values(array_filter($points, static fn(array $point): bool => 0.0 !== (float) $point[0])),
        );
    }

    public function confidence(): float
    {
        return max(0.0, min(1.0, self::BASE + array_sum(array_column($this->points, 0))));
    }

    /** @return list<string> */
    public function reasons(): array
    {
        $points = array_filter($this->points, static fn(array $point): bool => $point[0] > 0 && '' !== $point[1]);
        usort($points, static fn(array $a, array $b): int => $b[0] <=> $a[0]);

        return array_column($points, 1);
    }

    /** A word such as “Chapter” or a number of several parts says more than a figure, which lists have too. */
    private static function numberWeight(Line $line): float
    {
        if (null === $line->number) {
            return 0;
        }

        return match (true) {
            '' !== $line->number->word => 0.34,
            count($line->number->parts) > 1 => 0.3,
            default => 0.14,
        };
    }
}
