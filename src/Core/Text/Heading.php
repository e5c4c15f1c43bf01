<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** The words of a heading, with their emphasis, links and bookmarks; one line. */
final readonly class Heading
{
    /** Longer than any heading is; a paragraph made into a heading by mistake still fits. */
    public const MAX_BYTES = 8192;

    /** @param list<Node> $inline */
    private function __construct(public array $inline) {}

    public static function none(): self
    {
        return new self([]);
    }

    public static function plain(string $text): self
    {
        $line = trim((string) preg_replace('/\s+/u', ' ', $text));

        return '' === $line ? self::none() : new self([Node::text($line)]);
    }

    /**
     * @param list<Node> $inline a line break among them becomes a blank,
     *     for a heading is one line; blanks at its ends go
     */
    public static function ofInline(array $inline): self
    {
        $line = array_map(
            static fn(Node $node): Node => 'hardBreak' === $node->type ? Node::text(' ') : $node,
            $inline,
        );

        return new self(self::trimmed(array_reverse(self::trimmed(array_reverse($line), rtrim(...))), ltrim(...)));
    }

    /**
     * @param list<Node>               $inline
     * @param \Closure(string): string $trim
     *
     * @return list<Node>
     */
    private static function trimmed(array $inline, \Closure $trim): array
    {
        while ([] !== $inline && $inline[0]->isText()) {
            $text = $trim($inline[0]->text);
            if ('' !== $text) {
                $inline[0] = $text === $inline[0]->text ? $inline[0] : Node::text($text, $inline[0]->marks);
                break;
            }
            array_shift($inline);
        }

        return $inline;
    }

    /** @throws InvalidBody */
    public static function fromJson(mixed $json): self
    {
        $heading = self::ofInline((new BodySchema())->readInline($json));
        if (strlen($heading->plainText()) > self::MAX_BYTES) {
            throw InvalidBody::headingTooLong(self::MAX_BYTES);
        }

        return $heading;
    }

    public function plainText(): string
    {
        return Node::plainTextOf($this->inline);
    }

    public function isEmpty(): bool
    {
        return '' === trim($this->plainText());
    }

    /** Whether there is more to it than its words. */
    public function isPlain(): bool
    {
        return [] === $this->inline ||
            (1 === count($this->inline) && $this->inline[0]->isText() && [] === $this->inline[0]->marks);
    }

    /** @return list<array<string, mixed>> */
    public function toJson(): array
    {
        return array_map(static fn(Node $node): array => $node->toJson(), $this->inline);
    }
}
