<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

use Stemmata\Core\Formula\Formula;
use Stemmata\Core\Style\Shape;

/**
 * A part of a text: a block, an inline part or a run of characters, as the editor's own model has it.
 *
 * Sizes and positions are the editor's: a character is one UTF-16 code unit, a part without content is one, any other
 * part is its content and two.
 */
final readonly class Node
{
    /**
     * @param array<string, mixed> $attributes
     * @param list<Node>           $content
     * @param list<Mark>           $marks
     */
    public function __construct(
        public string $type,
        public array $attributes = [],
        public array $content = [],
        public string $text = '',
        public array $marks = [],
    ) {}

    /** @param list<Mark> $marks */
    public static function text(string $text, array $marks = []): self
    {
        return new self('text', text: $text, marks: $marks);
    }

    /**
     * @param list<Node>  $inline
     * @param string|null $kind   of the document’s style sheet; null for body text
     */
    public static function paragraph(array $inline, ?Look $look = null, ?string $kind = null): self
    {
        $attributes = ['look' => $look?->toJson(), 'kind' => $kind];

        return new self(
            'paragraph',
            array_filter($attributes, static fn(mixed $value): bool => null !== $value),
            $inline,
        );
    }

    /** The kind of the document’s style sheet that a paragraph is of; null for body text. */
    public function kind(): ?string
    {
        $kind = $this->attribute('kind');

        return is_string($kind) ? $kind : null;
    }

    /** What is said by hand of the look of a paragraph, or of these words. */
    public function shape(): Shape
    {
        $said = 'paragraph' === $this->type ? $this->attribute('shape') : $this->findMark('shape')?->attribute('said');

        return is_string($said) ? Shape::kept($said, 'paragraph' !== $this->type) : Shape::none();
    }

    /** @param bool $isBlock whether it stands on a line of its own */
    public static function formula(string $source, bool $isBlock): self
    {
        return new self($isBlock ? 'formulaBlock' : 'formula', ['source' => $source]);
    }

    public function isText(): bool
    {
        return 'text' === $this->type;
    }

    public function size(): int
    {
        return match (true) {
            $this->isText() => Utf16::length($this->text),
            BodySchema::isLeaf($this->type) => 1,
            default => 2 + self::sizeOf($this->content),
        };
    }

    /** @param list<Node> $content */
    public static function sizeOf(array $content): int
    {
        return array_sum(array_map(static fn(self $node): int => $node->size(), $content));
    }

    /** @param list<Node> $content */
    public function withContent(array $content): self
    {
        return new self($this->type, $this->attributes, $content, $this->text, $this->marks);
    }

    /** @param array<string, mixed> $attributes */
    public function withAttributes(array $attributes): self
    {
        return new self($this->type, $attributes, $this->content, $this->text, $this->marks);
    }

    /** @param list<Mark> $marks */
    public function withMarks(array $marks): self
    {
        return new self($this->type, $this->attributes, $this->content, $this->text, $marks);
    }

    public function attribute(string $name): mixed
    {
        return $this->attributes[$name] ?? null;
    }

    public function textAttribute(string $name): string
    {
        $value = $this->attribute($name);

        return is_string($value) ? $value : '';
    }

    public function findMark(string $type): ?Mark
    {
        foreach ($this->marks as $mark) {
            if ($mark->type === $type) {
                return $mark;
            }
        }

        return null;
    }

    /** Whether it is a paragraph of the text itself, of no kind of the writer’s own. */
    public function isRunningText(): bool
    {
        return 'paragraph' === $this->type && null === $this->kind();
    }

    /** The words of its line at their places in it: for what is no text stands U+FFFC, as often as it is large. */
    public function lineText(): string
    {
        return implode(
            '',
            array_map(
                static fn(self $part): string => $part->isText() ? $part->text : str_repeat("\u{fffc}", $part->size()),
                $this->content,
            ),
        );
    }

    /** The words of this part, with a line end after each block in it. */
    public function plainText(): string
    {
        if ($this->isText()) {
            return $this->text;
        }
        if (in_array($this->type, ['formula', 'formulaBlock'], true)) {
            return Formula::words($this->textAttribute('source'));
        }
        if ('hardBreak' === $this->type) {
            return "\n";
        }

        return self::plainTextOf($this->content);
    }

    /** @param list<Node> $content */
    public static function plainTextOf(array $content): string
    {
        $text = '';
        foreach ($content as $node) {
            if ('' !== $text && BodySchema::isBlock($node->type) && !str_ends_with($text, "\n")) {
                $text .= "\n";
            }
            $text .= $node->plainText();
        }

        return $text;
    }

    /**
     * The stretch from one position to another within a content; parts astride an end are cut in two.
     *
     * @param list<Node> $content
     *
     * @return list<Node>
     */
    public static function cut(array $content, int $from, int $to): array
    {
        $kept = [];
        $start = 0;
        foreach ($content as $node) {
            $end = $start + $node->size();
            if ($end > $from && $start < $to) {
                $kept[] = $node->between(max(0, $from - $start), min($end, $to) - $start);
            }
            $start = $end;
        }

        return array_values(array_filter($kept, static fn(self $node): bool => !$node->isText() || '' !== $node->text));
    }

    /**
     * @param list<Node> $inline
     *
     * @return list<Node> in which neighbouring texts with the same marks are one
     */
    public static function joined(array $inline): array
    {
        $joined = [];
        foreach ($inline as $part) {
            $last = end($joined);
            if (false !== $last && $part->isText() && $last->isText() && $last->marks == $part->marks) {
                array_pop($joined);
                $part = self::text($last->text . $part->text, $part->marks);
            }
            $joined[] = $part;
        }

        return $joined;
    }

    private function between(int $from, int $to): self
    {
        if ($this->isText()) {
            return self::text(Utf16::slice($this->text, $from, $to), $this->marks);
        }
        if (BodySchema::isLeaf($this->type)) {
            return $this;
        }

        return $this->withContent(self::cut($this->content, $from - 1, $to - 1));
    }

    /** @return iterable<Node> this part and every part within it, in reading order */
    public function walk(): iterable
    {
        $pending = [$this];
        while (null !== ($node = array_pop($pending))) {
            yield $node;
            foreach (array_reverse($node->content) as $child) {
                $pending[] = $child;
            }
        }
    }

    /**
     * The same part with every part in it, innermost first, replaced by what the function makes of it.
     *
     * @param \Closure(Node): Node $change
     */
    public function mapped(\Closure $change): self
    {
        $content = array_map(static fn(self $child): self => $child->mapped($change), $this->content);

        return $change($content === $this->content ? $this : $this->withContent($content));
    }

    /** @return array<string, mixed> as the editor keeps it */
    public function toJson(): array
    {
        $json = ['type' => $this->type];
        if ([] !== $this->attributes) {
            $json['attrs'] = $this->attributes;
        }
        if ([] !== $this->content) {
            $json['content'] = array_map(static fn(self $node): array => $node->toJson(), $this->content);
        }
        if ($this->isText()) {
            $json['text'] = $this->text;
        }
        if ([] !== $this->marks) {
            $json['marks'] = array_map(static fn(Mark $mark): array => $mark->toJson(), $this->marks);
        }

        return $json;
    }
}
