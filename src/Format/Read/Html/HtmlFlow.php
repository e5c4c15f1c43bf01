<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Link\KindName;
use Stemmata\Core\Text\ListStyle;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\Contents\FoundContents;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\FirstLine;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Shared\HeadingFlags;

/** Goes through a page from top to bottom: headings begin sections, everything else becomes blocks. */
final readonly class HtmlFlow
{
    private const CONTAINERS = [
        'div',
        'section',
        'article',
        'main',
        'header',
        'footer',
        'aside',
        'center',
        'address',
        'details',
        'summary',
        'form',
        'fieldset',
        'hgroup',
        'body',
        'html',
        'dl',
        'dt',
        'dd',
        'nav',
        'legend',
        'menu',
        'dir',
    ];
    /**
     * Deeper than that, blocks are read as running text; no one wrote them by hand. A list takes two of the levels that
     * a body may have.
     */
    private const MAX_DEPTH = 24;

    private HtmlInline $inline;
    private HtmlContents $contents;

    /**
     * @param int  $shift    how many levels deeper the page's headings stand in the document
     * @param bool $hasLooks whether the page says how its paragraphs look; what was made from Markdown does not
     */
    public function __construct(
        private DocumentBuilder $builder,
        \DOMDocument $page,
        private Surroundings $surroundings,
        private Footnotes $footnotes,
        private int $shift = 0,
        private bool $hasLooks = true,
    ) {
        $this->inline = new HtmlInline($builder, $footnotes, $surroundings);
        $this->contents = HtmlContents::in($page);
    }

    /** Reads a container whose headings are headings of the document. */
    public function read(\DOMElement $container): void
    {
        $pending = [];
        foreach ($this->parted($container->childNodes) as $child) {
            $level = $child instanceof \DOMElement ? self::findLevel($child) : null;
            if (null !== $level) {
                $this->flush($pending);
                $pending = [];
                $this->heading($child, $level);
            } elseif ($child instanceof \DOMElement && $this->isTransparent($child)) {
                $this->flush($pending);
                $pending = [];
                $this->anchorForNext($child);
                $this->noteTerms($child);
                $this->read($child);
            } else {
                $pending[] = $child;
            }
        }
        $this->flush($pending);
    }

    /**
     * What stands in a container. What is around blocks without being one, such as bold type or a link around whole
     * paragraphs, is gone through as if it were not there: the words know what is around them.
     *
     * @param iterable<\DOMNode> $nodes
     *
     * @return \Generator<int, \DOMNode>
     */
    private function parted(iterable $nodes, int $depth = 0): \Generator
    {
        foreach ($nodes as $node) {
            if (!($node instanceof \DOMElement) || self::MAX_DEPTH === $depth || !$this->isAroundBlocks($node)) {
                yield $node;
                continue;
            }
            HtmlSpoken::noteLosses($node, $this->builder);
            if ('ins' === $node->localName) {
                $this->builder->note(ImportNote::InsertionKept);
            }
            yield from HtmlTree::place($node);
            foreach ($this->parted($node->childNodes, $depth + 1) as $child) {
                yield $child;
            }
        }
    }

    private function isAroundBlocks(\DOMElement $element): bool
    {
        return null !== $element->firstElementChild &&
            !HtmlBlock::isBlock($element) &&
            !in_array($element->localName, ['svg', 'math'], true) &&
            !HtmlDropped::isDropped($element) &&
            null === self::findLevel($element) &&
            null === $this->footnotes->findFor($element) &&
            !Footnotes::isReference($element) &&
            HtmlBlock::isWithin($element);
    }

    /**
     * One block after the other is handed over, so that what is named is at the place that it names.
     *
     * @param list<\DOMNode> $nodes
     */
    private function flush(array $nodes): void
    {
        foreach ($this->blocksIn($nodes, 0, null) as $block) {
            $this->builder->block($block);
        }
    }

    private function noteTerms(\DOMElement $element): void
    {
        if ('dl' === $element->localName) {
            $this->builder->note(ImportNote::TermsAsParagraphs, $element->textContent);
        }
    }

    private function isTransparent(\DOMElement $element): bool
    {
        return in_array($element->localName, self::CONTAINERS, true) &&
            !HtmlBlock::isPageBreak($element) &&
            !HtmlBlock::isContents($element) &&
            !$this->contents->isMade($element) &&
            !HtmlTitle::isTitleBlock($element) &&
            !$this->footnotes->isNotes($element) &&
            null === TexInPage::findSource($element);
    }

    private function anchorForNext(\DOMElement $element): void
    {
        if ('' !== $element->getAttribute('id')) {
            $this->builder->anchorForNext($this->surroundings->anchor($element->getAttribute('id')));
        }
    }

    private function heading(\DOMElement $element, int $level): void
    {
        HtmlSpoken::noteLosses($element, $this->builder);
        $anchors = [];
        $flags = 0;
        $printed = '';
        foreach ([$element, ...HtmlTree::within($element)] as $named) {
            $anchor = $named->getAttribute('id') ?: ('a' === $named->localName ? $named->getAttribute('name') : '');
            if (Footnotes::isReference($named)) {
                continue;
            }
            $isOfSection = $named === $element || str_contains($anchor, '-');
            if ('' !== $anchor && $isOfSection) {
                $anchors[] = $this->surroundings->anchor($anchor);
            }
            $flags |= HeadingFlags::ofClasses($named->getAttribute('class'));
            $printed .= $named->hasAttribute('data-number') && 'span' === $named->localName ? $named->textContent : '';
        }
        $this->builder->heading(
            $level + $this->shift,
            $this->inline->of($element, inHeading: true),
            $anchors,
            $flags,
            trim($printed),
        );
    }

    private static function findLevel(\DOMElement $element): ?int
    {
        if ('heading' === $element->getAttribute('role')) {
            $level = (int) $element->getAttribute('aria-level');

            // WAI-ARIA 1.2: without a level it is 2.
            return $level >= 1 ? $level : 2;
        }

        return 1 === preg_match('/\Ah([1-6])\z/', $element->localName ?? '', $match) ? (int) $match[1] : null;
    }

    /**
     * @param iterable<\DOMNode> $nodes
     * @param \DOMElement|null   $in    the paragraph they are the content of
     *
     * @return list<Node>
     */
    private function blocksOf(iterable $nodes, int $depth, ?\DOMElement $in): array
    {
        return [...$this->blocksIn($nodes, $depth, $in)];
    }

    /**
     * @param iterable<\DOMNode> $nodes
     *
     * @return \Generator<int, Node>
     */
    private function blocksIn(iterable $nodes, int $depth, ?\DOMElement $in): \Generator
    {
        $run = [];
        foreach ($this->parted($nodes) as $node) {
            $isBlock = $node instanceof \DOMElement && HtmlBlock::isBlock($node);
            if ($isBlock && self::MAX_DEPTH === $depth) {
                $this->builder->note(ImportNote::NestingCut);
            }
            if ($isBlock && $depth < self::MAX_DEPTH) {
                yield from $this->paragraphOf($run, $in, 0 === $depth);
                yield from $this->blocksOfElement($node, $depth + 1);
                $run = [];
            } else {
                $run[] = $node;
            }
        }
        yield from $this->paragraphOf($run, $in, 0 === $depth);
    }

    /**
     * @param list<\DOMNode> $run
     * @param bool           $isLoose whether it stands between the blocks of the page and is no paragraph by itself
     *
     * @return list<Node>
     */
    private function paragraphOf(array $run, ?\DOMElement $in, bool $isLoose = false): array
    {
        $inline = $this->inline->ofNodes($run);
        if ([] === $inline) {
            return [];
        }
        if ($isLoose && ['bookmark'] === array_values(array_unique(array_column($inline, 'type')))) {
            $this->builder->bookmarksForNext($inline);

            return [];
        }
        if (1 === count($inline) && 'image' === $inline[0]->type) {
            return [new Node('figure', $inline[0]->attributes)];
        }

        return [Node::paragraph($inline, null === $in ? null : HtmlLook::of($in), self::kindOf($run[0]->parentNode))];
    }

    /** The kind that a paragraph is of: its element says so, or the one around it, where a text has no element for it. */
    private static function kindOf(?\DOMNode $element): ?string
    {
        $around = $element?->parentNode;

        return $element instanceof \DOMElement
            ? KindName::inClasses($element->getAttribute('class')) ??
                    ($around instanceof \DOMElement ? KindName::inClasses($around->getAttribute('class')) : null)
            : null;
    }

    /** @return list<Node> */
    private function blocksOfElement(\DOMElement $element, int $depth): array
    {
        HtmlSpoken::noteLosses($element, $this->builder);
        $this->noteTerms($element);
        if ($this->footnotes->isNotes($element)) {
            return $this->notesOfNothing($element, $depth);
        }
        if (HtmlDropped::noted($element, $this->builder)) {
            return [];
        }
        if (HtmlTitle::isTitleBlock($element)) {
            $this->titlePageParts($element);

            return [];
        }
        if (HtmlBlock::isPageBreak($element)) {
            return [new Node('pageBreak')];
        }
        if (HtmlBlock::isContents($element)) {
            return array_filter([$this->builder->contents(HtmlBlock::contents($element))]);
        }
        if ($this->contents->isMade($element)) {
            // Those within a list or a quotation are a help to go about the page, and none of the text.
            $found = $depth > 1 ? FoundContents::byProgram() : $this->contents->found($element, $this->surroundings);

            return array_filter([$this->builder->contents($found)]);
        }
        $blocks = $this->blocksOfKind($element, $depth);
        $id = $element->getAttribute('id');
        if ('' === $id || [] === $blocks) {
            return $blocks;
        }
        if (1 === $depth) {
            $this->builder->anchorForNext($this->surroundings->anchor($id));

            return $blocks;
        }

        return $this->named($element, $blocks);
    }

    /**
     * @param non-empty-list<Node> $blocks what an element was read as
     *
     * @return non-empty-list<Node> with the name that the element bears, where there are words to bear it
     */
    private function named(\DOMElement $element, array $blocks): array
    {
        $id = $element->getAttribute('id');
        $named =
            '' === $id
                ? null
                : FirstLine::withLead($blocks[0], [$this->builder->bookmark($this->surroundings->anchor($id), true)]);

        return null === $named ? $blocks : [$named, ...array_slice($blocks, 1)];
    }

    /**
     * Among the notes, those that no reference leads to: nobody would see them again.
     *
     * @return list<Node>
     */
    private function notesOfNothing(\DOMElement $notes, int $depth): array
    {
        $blocks = [];
        foreach ($this->footnotes->ofNothing($notes) as $note) {
            if ($this->surroundings->isLedToFromElsewhere($note->getAttribute('id'))) {
                continue;
            }
            $this->builder->note(ImportNote::NoteOfNothing, $note->textContent);
            array_push($blocks, ...$this->blocksOf($note->childNodes, $depth, null));
        }

        return $blocks;
    }

    /** Of a title block, what is neither title, subtitle nor author. */
    public function titlePageParts(\DOMElement $titleBlock): void
    {
        $this->builder->titlePageSays(HtmlTitle::saidBy(HtmlTree::within($titleBlock)));
        foreach (HtmlTitle::restOf($titleBlock) as $part) {
            foreach ($this->blocksOf([$part], 0, null) as $block) {
                $this->builder->titlePagePart($block);
            }
        }
    }

    /** What the list says, or else its first item. */
    private static function start(\DOMElement $list): int
    {
        $start = $list->hasAttribute('start')
            ? $list->getAttribute('start')
            : HtmlTree::first($list, 'li')?->getAttribute('value') ?? '';

        return '' === $start ? 1 : (int) $start;
    }

    /** @return list<Node> */
    private function blocksOfKind(\DOMElement $element, int $depth): array
    {
        if (null !== self::findLevel($element)) {
            // Inside a quotation or a list it is no heading of the document, only words that stand out.
            return $this->paragraphOf(iterator_to_array($element->childNodes, false), $element);
        }

        $tex = TexInPage::findSource($element);
        if (null !== $tex) {
            return [Node::formula($tex, true)];
        }

        return match ($element->localName) {
            // In a list or a quotation a paragraph is what it is, however it looks.
            'p', 'div', 'center', 'dd', 'dt' => $this->blocksOf(
                $element->childNodes,
                $depth,
                1 === $depth && $this->hasLooks ? $element : null,
            ),
            'blockquote' => self::wrapped('quotation', $this->blocksOf($element->childNodes, $depth, null)),
            'ul' => self::wrapped('bulletList', $this->items($element, $depth)),
            'ol' => self::wrapped('orderedList', $this->items($element, $depth), [
                'start' => max(0, min(999_999_999, self::start($element))),
                ...self::listStyle($element),
            ]),
            'pre' => [HtmlBlock::code($element)],
            'hr' => [new Node('separator')],
            'figure' => $this->figure($element, $depth),
            'table' => (new HtmlTable($this->inline, $this->builder))->blocksOf($element),
            default => $this->blocksOf($element->childNodes, $depth, null),
        };
    }

    /**
     * @param list<Node>           $content
     * @param array<string, mixed> $attributes
     *
     * @return list<Node>
     */
    private static function wrapped(string $type, array $content, array $attributes = []): array
    {
        return [] === $content ? [] : [new Node($type, $attributes, $content)];
    }

    /** @return array{style?: string} */
    private static function listStyle(\DOMElement $list): array
    {
        $style = ListStyle::ofHtmlType($list->getAttribute('type'));
        $rule = '/list-style(?:-type)?:\s*(lower|upper)-(alpha|latin|roman)/';
        if (null === $style && 1 === preg_match($rule, $list->getAttribute('style'), $match)) {
            $style = ListStyle::from($match[1] . ('roman' === $match[2] ? 'Roman' : 'Letter'));
        }

        return null === $style ? [] : ['style' => $style->value];
    }

    /** @return list<Node> */
    private function items(\DOMElement $list, int $depth): array
    {
        $items = [];
        foreach ($this->parted($list->childNodes) as $child) {
            $isItem = $child instanceof \DOMElement && 'li' === $child->localName;
            $blocks = $this->blocksOf($isItem ? $child->childNodes : [$child], $depth, null);
            if (!$isItem && [] === $blocks) {
                continue;
            }
            $isLed = [] !== $blocks && 'paragraph' === $blocks[0]->type;
            $item = new Node('listItem', content: $isLed ? $blocks : [Node::paragraph([]), ...$blocks]);
            $items[] = $isItem ? $this->named($child, [$item])[0] : $item;
        }

        return $items;
    }

    /** @return list<Node> */
    private function figure(\DOMElement $figure, int $depth): array
    {
        $images = HtmlTree::within($figure, 'img');
        $caption = HtmlTree::first($figure, 'figcaption');
        $table = HtmlTree::first($figure, 'table');
        if (null !== $table && null !== $caption && [] === $images) {
            return (new HtmlTable($this->inline, $this->builder))->blocksOf($table, $caption);
        }
        if (1 !== count($images) || null !== $table) {
            return $this->blocksOf($figure->childNodes, $depth, null);
        }

        return [
            new Node('figure', $this->inline->image($images[0]), null === $caption ? [] : $this->inline->of($caption)),
        ];
    }
}
