<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Language\Quoted;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\Measure;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;

/**
 * Makes what is quoted at length within paragraphs of a section stand by itself, as a quotation without its marks. What
 * follows goes on behind it; a full stop or a footnote alone goes with it.
 */
final readonly class SetOffQuotations implements Operation
{
    public function __construct(private SectionId $section) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $position = $document->outline->positions()[$this->section->value] ?? null;
        if (null === $position) {
            return Refused::unknownSection($this->section->value);
        }
        $inLine = Measure::letters($document->setup->pages(), $document->setup->style()->of(TextKind::Body));
        $section = $document->sectionAt($position);
        $blocks = [];
        foreach ($section->body->blocks as $block) {
            array_push($blocks, ...self::setOff($block, $inLine));
        }

        return $blocks === $section->body->blocks
            ? Refused::missing('There is no long quotation within the text of this section.')
            : new Applied($document->withSection($section->withBody(Body::of($blocks))));
    }

    /** @return non-empty-list<Node> */
    private static function setOff(Node $block, int $inLine): array
    {
        foreach ($block->isRunningText() ? Quoted::longIn($block->lineText()) : [] as $quoted) {
            if (!Quoted::isLong($quoted->words, $quoted->letters, $inLine)) {
                continue;
            }
            $before = self::trimmed(Node::cut($block->content, 0, $quoted->from), false);
            $within = Node::cut($block->content, $quoted->from + 1, $quoted->to - 1);
            $after = Node::cut($block->content, $quoted->to, Node::sizeOf($block->content));
            if (1 !== preg_match('/[\p{L}\p{N}]/u', (new Node('paragraph', [], $after))->lineText())) {
                [$within, $after] = [[...self::trimmed($within, false), ...self::trimmed($after, false)], []];
            }
            $within = Node::joined(self::trimmed(self::trimmed($within, true), false));
            $after = self::trimmed($after, true);

            return [
                ...[] === $before ? [] : [$block->withContent($before)],
                new Node('quotation', [], [Node::paragraph($within)]),
                ...[] === $after ? [] : self::setOff(Node::paragraph($after), $inLine),
            ];
        }

        return [$block];
    }

    /**
     * @param list<Node> $inline
     *
     * @return list<Node> without blanks at its beginning or its end
     */
    private static function trimmed(array $inline, bool $isBeginning): array
    {
        while ([] !== $inline) {
            $at = $isBeginning ? 0 : count($inline) - 1;
            if (!$inline[$at]->isText()) {
                break;
            }
            $text = (string) preg_replace($isBeginning ? '/\A\s+/u' : '/\s+\z/u', '', $inline[$at]->text);
            if ('' !== $text) {
                $inline[$at] = Node::text($text, $inline[$at]->marks);
                break;
            }
            array_splice($inline, $at, 1);
        }

        return array_values($inline);
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Set off what is quoted at length in ' . Described::section($before, $this->section);
    }
}
