<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\InvalidBody;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;
use Stemmata\Core\Text\PicturesApart;

/**
 * The door of every reader: whatever a file makes a reader build, the document holds only what could be read again. A
 * part that may not stand as it is is cut to what may, with a note; at the worst its words are kept as paragraphs.
 */
final class SoundText
{
    private readonly BodySchema $schema;
    private readonly PicturesApart $apart;

    /** @param \Closure(ImportNote, string): void $note */
    public function __construct(private readonly \Closure $note)
    {
        $this->schema = new BodySchema();
        $this->apart = new PicturesApart();
    }

    /** @return array<string, Picture> by hash: those that the texts show */
    public function pictures(): array
    {
        return $this->apart->pictures;
    }

    /** @return list<Node> */
    public function block(Node $block): array
    {
        $settled = FormulaLines::settled($block);

        return [$block] === $settled
            ? $this->sounded($block)
            : array_merge(...array_map($this->sounded(...), $settled));
    }

    /** @return list<Node> */
    private function sounded(Node $block): array
    {
        [$block] = $this->apart->of([$block]);
        if ($this->isSound([$block])) {
            return [$block];
        }
        $fitted = $block->mapped($this->fitted(...));
        if ($this->isSound([$fitted])) {
            return [$fitted];
        }
        ($this->note)(ImportNote::KeptAsWords, $block->plainText());
        $lines = array_filter(
            explode("\n", mb_scrub($block->plainText())),
            static fn(string $line): bool => '' !== trim($line),
        );

        return array_values(array_map(static fn(string $line): Node => Node::paragraph([Node::text($line)]), $lines));
    }

    /**
     * @param list<Node> $inline
     *
     * @return list<Node>
     */
    public function inline(array $inline): array
    {
        $inline = $this->apart->of(FormulaLines::inLine($inline));
        if ($this->isSoundInline($inline)) {
            return $inline;
        }
        $fitted = array_map(fn(Node $node): Node => $node->mapped($this->fitted(...)), $inline);
        $words = mb_scrub(Node::plainTextOf($inline));

        return match (true) {
            $this->isSoundInline($fitted) => $fitted,
            '' === $words => [],
            default => [Node::text($words)],
        };
    }

    /** @param list<Node> $blocks */
    private function isSound(array $blocks): bool
    {
        try {
            $this->schema->check($blocks);

            return true;
        } catch (InvalidBody) {
            return false;
        }
    }

    /** @param list<Node> $inline */
    private function isSoundInline(array $inline): bool
    {
        try {
            $this->schema->checkInline($inline);

            return true;
        } catch (InvalidBody) {
            return false;
        }
    }

    private function fitted(Node $node): Node
    {
        $node = $node->isText() ? Node::text(mb_scrub($node->text), $node->marks) : $node;
        $node =
            [] === $node->marks
                ? $node
                : $node->withMarks(
                    array_map(
                        self::withShortHint(...),
                        array_values(array_filter($node->marks, $this->isSoundMark(...))),
                    ),
                );

        return match ($node->type) {
            'figure', 'image' => $node->withAttributes([
                ...$node->attributes,
                'src' => $this->source($node->textAttribute('src')),
                'alt' => self::words($node->textAttribute('alt')),
            ]),
            'codeBlock' => $node->withAttributes([
                'language' =>
                    '' === self::words($node->textAttribute('language'))
                        ? null
                        : self::words($node->textAttribute('language')),
            ]),
            'contents' => $node->withAttributes([
                ...$node->attributes,
                'title' => self::words($node->textAttribute('title')),
            ]),
            'crossReference' => LinkTarget::isValid($node->textAttribute('href')) ? $node : $this->unled($node),
            default => $node,
        };
    }

    private function isSoundMark(Mark $mark): bool
    {
        if ('link' !== $mark->type || LinkTarget::isValid((string) $mark->attribute('href'))) {
            return true;
        }
        ($this->note)(ImportNote::LinkUnsafe, (string) $mark->attribute('href'));

        return false;
    }

    private static function withShortHint(Mark $mark): Mark
    {
        $hint = $mark->attribute('title');

        return is_string($hint) ? new Mark($mark->type, [...$mark->attributes, 'title' => self::words($hint)]) : $mark;
    }

    private function source(string $source): string
    {
        if (Picture::isAddress($source)) {
            return $source;
        }
        ($this->note)(ImportNote::PictureOfOtherKind, $source);

        return '';
    }

    private function unled(Node $reference): Node
    {
        ($this->note)(ImportNote::LinkLeadsNowhere, $reference->textAttribute('href'));

        return Node::text('?');
    }

    /** What is said of a document as a whole, in one line. */
    public static function line(string $words): string
    {
        return rtrim(self::words(trim((string) preg_replace('/\s+/u', ' ', mb_scrub($words)))));
    }

    /** What is said of a part, cut to what may be. */
    private static function words(string $words): string
    {
        return mb_strcut(mb_scrub($words), 0, BodySchema::MAX_WORDS_BYTES);
    }
}
