<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Counting\KindUses;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;

/**
 * Makes all that is of one kind of text, in the whole document, of another: paragraphs of a kind of the writer’s own and
 * quotations, or words of a kind of the writer’s own. The words stay as they are.
 */
final readonly class GiveKind implements Operation
{
    /**
     * @param string $kind    a kind of the writer’s own, or “quotation”
     * @param string $becomes one of the same sort; for paragraphs also “quotation”, and “body” for no kind at all
     */
    public function __construct(private string $kind, private string $becomes) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $sheet = $document->setup->sheet();
        $isWords = $sheet->definition($this->kind)->isWords;
        if (!self::isGiven($this->kind, $sheet) || $this->kind === $this->becomes) {
            return Refused::cannotGiveKind($this->kind);
        }
        $isFit = TextKind::Body->value === $this->becomes || self::isGiven($this->becomes, $sheet);
        if (
            !$isFit ||
            (TextKind::Body->value !== $this->becomes && $sheet->definition($this->becomes)->isWords !== $isWords)
        ) {
            return Refused::cannotGiveKind($this->becomes);
        }
        $changed = [];
        foreach ($document->sections() as $section) {
            $given = $isWords
                ? $section
                    ->withHeading(
                        Heading::ofInline(
                            $this->inline(
                                array_map(
                                    fn(Node $part): Node => $part->mapped($this->words(...)),
                                    $section->heading->inline,
                                ),
                            ),
                        ),
                    )
                    ->withBody($section->body->mapped($this->words(...)))
                : $section->withBody(Body::of($this->blocks($section->body->blocks)));
            // What is not changed is the very same.
            if (
                $given->heading->inline !== $section->heading->inline ||
                $given->body->blocks !== $section->body->blocks
            ) {
                $changed[] = $given;
            }
        }
        $count = KindUses::in($document)[$this->kind]['count'] ?? 1;

        return [] === $changed
            ? Refused::missing('There is nothing of this kind in the document.')
            : new Applied($document->withSection(...$changed), [
                new Notice(
                    1 === $count ? 'One place was changed.' : sprintf('%s places were changed.', number_format($count)),
                    [],
                ),
            ]);
    }

    private static function isGiven(string $kind, StyleSheet $sheet): bool
    {
        return TextKind::Quotation->value === $kind || $sheet->definition($kind)->isOwn();
    }

    /**
     * @param list<Node> $blocks
     *
     * @return list<Node>
     */
    private function blocks(array $blocks, bool $isQuoted = false, bool $isItem = false): array
    {
        $given = [];
        $quoted = [];
        foreach ($blocks as $index => $block) {
            // An item begins with a paragraph, which can be no quotation.
            if ($this->isToBeQuoted($block) && !$isQuoted && !($isItem && 0 === $index)) {
                $quoted[] = $this->ofKind($block);
                continue;
            }
            if ([] !== $quoted) {
                // One after the other they are one quotation.
                $given[] = new Node('quotation', [], $quoted);
                $quoted = [];
            }
            array_push($given, ...$this->block($block, $isQuoted));
        }

        return [] === $quoted ? $given : [...$given, new Node('quotation', [], $quoted)];
    }

    private function isToBeQuoted(Node $block): bool
    {
        return TextKind::Quotation->value === $this->becomes &&
            'paragraph' === $block->type &&
            $block->kind() === $this->kind;
    }

    /** @return list<Node> what becomes of a block; a quotation that is none any more leaves what it held */
    private function block(Node $block, bool $isQuoted): array
    {
        if ('paragraph' === $block->type) {
            return [$block->kind() === $this->kind ? $this->ofKind($block) : $block];
        }
        if ('quotation' === $block->type && TextKind::Quotation->value === $this->kind) {
            // What is of a kind of its own there stays of that.
            return array_map(
                fn(Node $within): Node => 'paragraph' === $within->type && null === $within->kind()
                    ? $this->ofKind($within)
                    : $within,
                $block->content,
            );
        }
        if (!BodySchema::holdsBlocks($block->type)) {
            return [$block];
        }
        $content = $this->blocks(
            $block->content,
            $isQuoted || 'quotation' === $block->type,
            'listItem' === $block->type,
        );

        return [$content === $block->content ? $block : $block->withContent($content)];
    }

    private function ofKind(Node $paragraph): Node
    {
        $attributes = array_diff_key($paragraph->attributes, ['kind' => true]);

        return $paragraph->withAttributes(
            null === TextKind::find($this->becomes) ? [...$attributes, 'kind' => $this->becomes] : $attributes,
        );
    }

    private function words(Node $node): Node
    {
        $content = $this->inline($node->content);

        return $content === $node->content ? $node : $node->withContent($content);
    }

    /**
     * @param list<Node> $inline
     *
     * @return list<Node>
     */
    private function inline(array $inline): array
    {
        $isOfIt = fn(Node $part): bool => $part->findMark('kind')?->attribute('name') === $this->kind;

        return [] === array_filter($inline, $isOfIt)
            ? $inline
            : Node::joined(
                array_map(
                    fn(Node $part): Node => $isOfIt($part) ? $part->withMarks($this->marks($part->marks)) : $part,
                    $inline,
                ),
            );
    }

    /**
     * @param list<Mark> $marks
     *
     * @return list<Mark>
     */
    private function marks(array $marks): array
    {
        $given = [];
        foreach ($marks as $mark) {
            if ('kind' !== $mark->type) {
                $given[] = $mark;
            } elseif (TextKind::Body->value !== $this->becomes) {
                $given[] = new Mark('kind', ['name' => $this->becomes]);
            }
        }

        return $given;
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        $sheet = $before->setup->sheet();
        $called = static fn(string $kind): string => $sheet->definition($kind)->label ??
            (TextKind::tryFrom($kind)?->label() ?? $kind);

        return TextKind::Body->value === $this->becomes && $sheet->definition($this->kind)->isWords
            ? sprintf('Took the kind “%s” from all its words', $called($this->kind))
            : sprintf('Made all of “%s” into “%s”', $called($this->kind), $called($this->becomes));
    }
}
