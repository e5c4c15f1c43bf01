<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\UnifiedDiffOutputBuilder;
use Stemmata\Core\Text\WordTokens;

/** How one text became another, word by word: runs that stayed, went and came. */
final class WordMarks
{
    /** Paragraphs of more words and signs than this, old times new, are told as gone and come whole. */
    private const MOST_WORD_PAIRS = 9_000_000;

    /**
     * @return list<array{kind: 'same'|'gone'|'new',
     *     text: string}> in order; without the gone ones it reads as it does now
     */
    public static function between(string $then, string $now): array
    {
        $marks = [];
        [$gone, $new] = ['', ''];
        // Paragraphs first: most are the same, and only those between need to be looked at word by word.
        foreach (self::steps(self::paragraphs($then), self::paragraphs($now)) as [$text, $kind]) {
            if (Differ::OLD !== $kind) {
                [$gone, $new] = [
                    $gone . (Differ::REMOVED === $kind ? $text : ''),
                    $new . (Differ::ADDED === $kind ? $text : ''),
                ];
                continue;
            }
            $marks = [...$marks, ...self::words($gone, $new), ['kind' => 'same', 'text' => $text]];
            [$gone, $new] = ['', ''];
        }

        return self::joined(self::withoutLoneBlanks([...$marks, ...self::words($gone, $new)]));
    }

    /** @return list<array{kind: 'same'|'gone'|'new', text: string}> */
    private static function words(string $then, string $now): array
    {
        [$old, $new] = [WordTokens::of($then), WordTokens::of($now)];
        if (count($old) * count($new) > self::MOST_WORD_PAIRS) {
            return [['kind' => 'gone', 'text' => $then], ['kind' => 'new', 'text' => $now]];
        }
        $marks = [];
        foreach (self::steps($old, $new) as [$text, $kind]) {
            $marks[] = [
                'kind' => match ($kind) {
                    Differ::REMOVED => 'gone',
                    Differ::ADDED => 'new',
                    default => 'same',
                },
                'text' => $text,
            ];
        }

        return $marks;
    }

    /**
     * @param list<string> $old
     * @param list<string> $new
     *
     * @return list<array{string, int}>
     */
    private static function steps(array $old, array $new): array
    {
        /** @var list<array{string, int}> $steps as the library documents them: the token, and what became of it */
        $steps = (new Differ(new UnifiedDiffOutputBuilder('')))->diffToArray($old, $new);

        return $steps;
    }

    /** @return list<string> */
    private static function paragraphs(string $text): array
    {
        return '' === $text ? [] : (preg_split('/(?<=\n)/', $text) ?: [$text]);
    }

    /**
     * That a blank stayed between words that went and words that came tells a reader nothing: it goes and comes with
     * them.
     *
     * @param list<array{kind: 'same'|'gone'|'new', text: string}> $marks
     *
     * @return list<array{kind: 'same'|'gone'|'new', text: string}>
     */
    private static function withoutLoneBlanks(array $marks): array
    {
        $plain = [];
        $run = [];
        foreach ([...$marks, ['kind' => 'same', 'text' => '']] as $mark) {
            if ('same' !== $mark['kind'] || ' ' === $mark['text']) {
                $run[] = $mark;
                continue;
            }
            $kinds = array_column($run, 'kind');
            $isRewritten = in_array('gone', $kinds, true) && in_array('new', $kinds, true);
            $plain = [...$plain, ...$isRewritten ? self::rewritten($run) : $run, $mark];
            $run = [];
        }

        return $plain;
    }

    /**
     * @param list<array{kind: 'same'|'gone'|'new', text: string}> $run
     *
     * @return list<array{kind: 'same'|'gone'|'new', text: string}> what went, then what came; blanks at its ends stay
     */
    private static function rewritten(array $run): array
    {
        [$from, $to] = [0, count($run)];
        while ('same' === $run[$from]['kind']) {
            ++$from;
        }
        while ('same' === $run[$to - 1]['kind']) {
            --$to;
        }
        [$gone, $new] = ['', ''];
        foreach (array_slice($run, $from, $to - $from) as $mark) {
            $gone .= 'new' === $mark['kind'] ? '' : $mark['text'];
            $new .= 'gone' === $mark['kind'] ? '' : $mark['text'];
        }

        return [
            ...array_slice($run, 0, $from),
            ['kind' => 'gone', 'text' => $gone],
            ['kind' => 'new', 'text' => $new],
            ...array_slice($run, $to),
        ];
    }

    /**
     * @param list<array{kind: 'same'|'gone'|'new', text: string}> $marks
     *
     * @return list<array{kind: 'same'|'gone'|'new', text: string}>
     */
    private static function joined(array $marks): array
    {
        $joined = [];
        foreach ($marks as $mark) {
            $last = count($joined) - 1;
            if ($last >= 0 && $joined[$last]['kind'] === $mark['kind']) {
                $joined[$last]['text'] .= $mark['text'];
            } elseif ('' !== $mark['text']) {
                $joined[] = $mark;
            }
        }

        return $joined;
    }
}
