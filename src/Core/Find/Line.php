<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

use Stemmata\Core\Document\Section;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Utf16;

/** A line of a section as it is looked through: its words, and where each stretch of them stands. */
final readonly class Line
{
    /** Whether each letter is one byte, as in most lines in English: what is cut from those need not be counted out. */
    private bool $isAscii;

    /**
     * @param list<array{int, int, int}> $stretches of letters that stand together: where in the words (characters),
     *     where in the heading or the text (the editor’s positions), and how many characters
     */
    public function __construct(
        public Field $field,
        public string $words,
        public array $stretches,
        public bool $isInHeading = false,
    ) {
        $this->isAscii = mb_check_encoding($words, 'ASCII');
    }

    /** Some of its words, counted in characters. */
    public function part(int $at, int $length): string
    {
        return $this->isAscii ? substr($this->words, $at, $length) : mb_substr($this->words, $at, $length);
    }

    /**
     * @param list<Field> $fields
     *
     * @return list<self> in reading order
     */
    public static function of(Section $section, array $fields): array
    {
        $lines = [];
        if (in_array(Field::Aim, $fields, true) && '' !== $section->aim) {
            $lines[] = new self(Field::Aim, $section->aim, [[0, 0, mb_strlen($section->aim)]]);
        }
        self::gather($section->heading->inline, 0, Field::Heading, $fields, $lines, true);
        $at = 0;
        foreach ($section->body->blocks as $block) {
            self::block($block, $at, $fields, $lines);
            $at += $block->size();
        }

        return $lines;
    }

    /** Where a stretch of the words begins or ends among the editor’s positions. */
    public function position(int $character, bool $isEnd): int
    {
        foreach ($this->stretches as [$from, $at, $length]) {
            if ($character < $from + $length || ($isEnd && $character === $from + $length)) {
                return $at + Utf16::length($this->part($from, max(0, $character - $from)));
            }
        }
        $last = $this->stretches[count($this->stretches) - 1] ?? [0, 0, 0];

        return $last[1] + Utf16::length($this->part($last[0], $last[2]));
    }

    /**
     * @param list<Field> $fields
     * @param list<self>  $lines
     */
    private static function block(Node $block, int $at, array $fields, array &$lines): void
    {
        if (in_array($block->type, ['figure', 'caption'], true)) {
            self::gather($block->content, $at + 1, Field::Caption, $fields, $lines);
        } elseif (self::isLine($block)) {
            self::gather($block->content, $at + 1, Field::Text, $fields, $lines);
        } else {
            $inner = $at + 1;
            foreach ($block->content as $child) {
                self::block($child, $inner, $fields, $lines);
                $inner += $child->size();
            }
        }
    }

    private static function isLine(Node $block): bool
    {
        return in_array($block->type, ['paragraph', 'codeBlock', 'tableCell', 'calculation', 'unreadable'], true);
    }

    /**
     * @param list<Node>  $inline
     * @param list<Field> $fields
     * @param list<self>  $lines
     */
    private static function gather(
        array $inline,
        int $at,
        Field $field,
        array $fields,
        array &$lines,
        bool $isInHeading = false,
    ): void {
        $words = '';
        $count = 0;
        $stretches = [];
        $notes = [];
        foreach ($inline as $part) {
            if ($part->isText()) {
                $length = mb_strlen($part->text);
                $stretches[] = [$count, $at, $length];
                $words .= $part->text;
                $count += $length;
            } elseif ('hardBreak' === $part->type) {
                $stretches[] = [$count, $at, 1];
                $words .= "\n";
                ++$count;
            } elseif ('footnote' === $part->type) {
                $notes[] = [$part, $at + 1];
            }
            $at += $part->size();
        }
        if ('' !== $words && in_array($field, $fields, true)) {
            $lines[] = new self($field, $words, $stretches, $isInHeading);
        }
        foreach ($notes as [$note, $start]) {
            self::gather($note->content, $start, Field::Note, $fields, $lines, $isInHeading);
        }
    }
}
