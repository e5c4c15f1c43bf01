<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Markup;

use Stemmata\Core\Language\Characters;

/**
 * Values as Typst code writes them (Typst 0.14, “Foundations”). Whatever was typed goes through here and becomes a string
 * literal, in which nothing but the two signs escaped below means anything: no text can become a command.
 */
final class TypstValue
{
    /** A place where a long word may be broken; the engine passes over spaces of no width at all. */
    private const MAY_BREAK = '#h(0.001pt)';

    /** Longer words may be broken anywhere, so that no line runs off the page. */
    private const LONGEST_WORD = 36;
    /** What goes on over pages costs the engine as much for each piece, and may be broken at every eighth sign only. */
    private const VERY_LONG = 2000;
    private const TOGETHER = 8;

    /** More marks on one letter than a text needs, which take the engine ever longer (UAX 15, 13: stream-safe text). */
    private const TOO_MANY_MARKS = '/(\p{M}{30})\p{M}++/u';

    public static function string(string $text): string
    {
        $legible = (string) preg_replace(self::TOO_MANY_MARKS, '$1', Characters::cleaned($text));

        return '"' . strtr($legible, ['\\' => '\\\\', '"' => '\\"', "\r" => '', "\n" => '\\n']) . '"';
    }

    /** A run of words in markup. */
    public static function words(string $text): string
    {
        $markup = '';
        foreach (self::pieces($text) as $piece) {
            $markup .= ('' === $markup ? '' : self::MAY_BREAK) . '#' . self::string($piece) . ';';
        }

        return $markup;
    }

    public static function of(mixed $value): string
    {
        return match (true) {
            null === $value => 'none',
            is_bool($value) => $value ? 'true' : 'false',
            is_int($value) => (string) $value,
            is_float($value) => sprintf('%F', $value),
            is_string($value) => self::string($value),
            is_array($value) => self::collection($value),
            default => throw new \LogicException('There is no such value in Typst.'),
        };
    }

    /** Points. */
    public static function length(float $points): string
    {
        return sprintf('%Fpt', $points);
    }

    /** @param array<mixed> $values */
    private static function collection(array $values): string
    {
        $parts = [];
        foreach ($values as $key => $value) {
            $parts[] = (array_is_list($values) ? '' : self::string((string) $key) . ': ') . self::of($value);
        }

        return match (true) {
            [] === $parts => '()',
            array_is_list($values) => '(' . implode(', ', $parts) . ',)',
            default => '(' . implode(', ', $parts) . ')',
        };
    }

    /** @return list<string> */
    private static function pieces(string $text): array
    {
        $long = '/[^\s\p{Z}\p{Pd}]{' . (self::LONGEST_WORD + 1) . ',}/u';
        $pieces = [];
        $end = 0;
        foreach (preg_split($long, $text, -1, \PREG_SPLIT_OFFSET_CAPTURE) ?: [] as [$between, $at]) {
            if ([] !== $pieces) {
                // What stood between this part and the one before is too long without a blank.
                $pieces = [...$pieces, ...self::broken(substr($text, $end, $at - $end))];
            }
            $pieces[] = $between;
            $end = $at + strlen($between);
        }

        return array_values(array_filter($pieces, static fn(string $piece): bool => '' !== $piece));
    }

    /**
     * Many scripts are written without blanks, and the engine knows where their lines may end (UAX 14, as ICU has it): only
     * what has no such place for too long is broken anywhere.
     *
     * @return list<string> lines may end between them
     */
    private static function broken(string $words): array
    {
        $places = \IntlBreakIterator::createLineInstance('') ?? throw new \LogicException('ICU knows lines.');
        $places->setText($words);
        $pieces = [''];
        foreach ($places->getPartsIterator() as $part) {
            \assert(is_string($part));
            if (mb_strlen($part) <= self::LONGEST_WORD) {
                $pieces[count($pieces) - 1] .= $part;
            } else {
                preg_match_all('/\X/u', $part, $signs);
                $few = count($signs[0]) > self::VERY_LONG ? self::TOGETHER : 1;
                array_push($pieces, ...array_map(implode(...), array_chunk($signs[0], $few)));
                $pieces[] = '';
            }
        }

        return $pieces;
    }
}
