<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Text\Node;

/**
 * Which keeps of one text are one step of the history: those of one paragraph, or of the heading, all writing or all
 * taking away, without a pause between them. What a writer does next, such as going to another paragraph, rubbing out
 * or giving a command, is the next step, however quickly it comes; and so is the next sentence.
 */
final class TypingBurst
{
    /** A pause longer than this ends a burst (seconds). */
    private const PAUSE = 3;
    /** A burst is undone whole, so it must not grow without end (seconds). */
    private const LENGTH = 15;
    /** What ends a sentence, with quotation marks and brackets behind it (after UAX #29, SB). */
    private const SENTENCE_END = '/[.!?…。！？][\p{Pe}\p{Pf}\p{Po}"]*\s*\z/u';
    /** Stands before the first block. */
    private const HEADING = -1;

    /**
     * By the clock. A clock that was set back tells nothing, and what cannot be told to belong together does not.
     *
     * @param int $startedAt seconds since 1970, as are the others
     */
    public static function isOfOneMoment(int $startedAt, int $madeAt, int $now): bool
    {
        return $now >= $madeAt &&
            $madeAt >= $startedAt &&
            $now - $madeAt <= self::PAUSE &&
            $now - $startedAt <= self::LENGTH;
    }

    /** By what was done: `$next` was made right after `$burst`, in the same section. */
    public static function isOneDoing(Change $burst, Change $next): bool
    {
        $first = self::findEdit($burst);
        $second = self::findEdit($next);

        return null !== $first &&
            null !== $second &&
            $first['block'] === $second['block'] &&
            $first['grows'] === $second['grows'] &&
            !($first['grows'] && self::endsSentence($burst));
    }

    /** Whether the words that a change brought are the end of a sentence, or of several. */
    private static function endsSentence(Change $change): bool
    {
        [$before, $after] = array_map(
            static fn(?Section $section): string => $section?->body->plainText() ?? '',
            array_values($change->sections)[0],
        );
        $head = strspn($before ^ $after, "\0");
        $tail = strspn(strrev(substr($before, $head)) ^ strrev(substr($after, $head)), "\0");
        $come = mb_scrub(substr($after, $head, strlen($after) - $head - $tail));

        return 1 === preg_match(self::SENTENCE_END, $come);
    }

    /**
     * @return array{block: int,
     *     grows: bool}|null where the words of one block or of the heading changed; null for any other change
     */
    private static function findEdit(Change $change): ?array
    {
        if (
            1 !== count($change->sections) ||
            [] !== $change->outlineEdits ||
            [] !== $change->offcuts ||
            null !== $change->titleBlock ||
            null !== $change->setup
        ) {
            return null;
        }
        [$before, $after] = array_values($change->sections)[0];
        if (!($before instanceof Section) || !($after instanceof Section)) {
            return null;
        }
        if ($before->heading != $after->heading) {
            return $before->body != $after->body
                ? null
                : [
                    'block' => self::HEADING,
                    'grows' => Node::sizeOf($after->heading->inline) >= Node::sizeOf($before->heading->inline),
                ];
        }
        [$old, $new] = [$before->body->blocks, $after->body->blocks];
        $block = self::commonHead($old, $new);
        // A paragraph that is gone, or two that changed, are more than writing on; one that is new is where it goes on.
        $isNew = count($new) === count($old) + 1 && array_slice($old, $block) == array_slice($new, $block + 1);
        $isOneBlock = count($old) === count($new) && array_slice($old, $block + 1) == array_slice($new, $block + 1);
        if ($isOneBlock && isset($old[$block]) && !self::isWriting($old[$block], $new[$block])) {
            return null;
        }

        return $isOneBlock || $isNew
            ? ['block' => $block, 'grows' => $isNew || self::length($new, $block) >= self::length($old, $block)]
            : null;
    }

    /** Whether words were written or taken away, not marked, aligned or given another row by a command. */
    private static function isWriting(Node $old, Node $new): bool
    {
        // A footnote that is begun has no words yet.
        return ($old->size() !== $new->size() || $old->plainText() !== $new->plainText()) &&
            ('table' !== $old->type || self::withoutWords($old) == self::withoutWords($new));
    }

    private static function withoutWords(Node $table): Node
    {
        return $table->withContent(
            array_map(
                static fn(Node $row): Node => $row->withContent(
                    array_map(static fn(Node $cell): Node => $cell->withContent([]), $row->content),
                ),
                array_slice($table->content, 1),
            ),
        );
    }

    /**
     * @param list<Node> $old
     * @param list<Node> $new
     */
    private static function commonHead(array $old, array $new): int
    {
        $common = 0;
        while (isset($old[$common], $new[$common]) && $old[$common] == $new[$common]) {
            ++$common;
        }

        return $common;
    }

    /** @param list<Node> $blocks */
    private static function length(array $blocks, int $block): int
    {
        return isset($blocks[$block]) ? $blocks[$block]->size() : 0;
    }
}
