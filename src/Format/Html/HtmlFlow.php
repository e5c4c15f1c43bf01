<?php

declare(strict_types=1);

namespace Stemmata\Format\Html;

use Stemmata\Core\Level;
use Stemmata\Core\Outline;
use Stemmata\Core\Text\Node;
use Stemmata\Format\DocumentBuilder;

/** Goes through a page from top to bottom: headings begin sections, everything else becomes blocks. */
final readonly class HtmlFlow
{
    private const CONTAINERS = ['div', 'section', 'article', 'main', 'header', 'footer', 'aside', 'center', 'address', 'details', 'summary', 'form', 'fieldset', 'hgroup', 'body', 'html', 'dl', 'dt', 'dd', 'nav', 'legend', 'menu', 'dir'];
    private const DROPPED = ['script', 'style', 'template', 'head', 'iframe', 'object', 'embed', 'noscript', 'svg', 'math', 'canvas', 'audio', 'video', 'select', 'button', 'input', 'textarea', 'link', 'meta', 'title', 'base'];
    /** Deeper than that, blocks are read as running text; no one wrote them by hand. */
    private const MAX_DEPTH = 40;

    private HtmlInline $inline;

    public function __construct(private DocumentBuilder $builder, private Footnotes $footnotes)
    {
        $this->inline = new HtmlInline($builder, $footnotes);
    }

    public static function isDropped(\DOMElement $element): bool
    {
        return in_array(strtolower($element->localName ?? ''), self::DROPPED, true);
    }

    /** Reads a container whose headings are headings of the document. */
    public function read(\DOMElement $container): void
    {
        $pending = [];
        foreach ($container->childNodes as $child) {
            $level = $child instanceof \DOMElement ? self::findLevel($child) : null;
            if (null !== $level) {
                $this->flush($pending);
                $pending = [];
                $this->heading($child, $level);
            } elseif ($child instanceof \DOMElement && $this->isTransparent($child)) {
                $this->flush($pending);
                $pending = [];
                $this->read($child);
            } else {
                $pending[] = $child;
            }
        }
        $this->flush($pending);
    }

    /** @param list<\DOMNode> $nodes */
    private function flush(array $nodes): void
    {
        foreach ($this->blocksOf($nodes, 0) as $block) {
            $this->builder->block($block);
        }
    }

    private function isTransparent(\DOMElement $element): bool
    {
        return in_array($element->localName, self::CONTAINERS, true)
            && !HtmlBlock::isPageBreak($element)
            && !HtmlBlock::isContents($element)
            && !$this->footnotes->isNotes($element);
    }

    private function heading(\DOMElement $element, Level $level): void
    {
        $anchors = [];
        $flags = 0;
        foreach ([$element, ...iterator_to_array($element->getElementsByTagName('a'))] as $named) {
            $anchor = $named->getAttribute('id') ?: $named->getAttribute('name');
            $isOfSection = $named === $element || str_contains($anchor, '-');
            if ('' !== $anchor && $isOfSection) {
                $anchors[] = $anchor;
            }
            $classes = explode(' ', $named->getAttribute('class'));
            $flags |= in_array('unnumbered', $classes, true) ? Outline::UNNUMBERED : 0;
            $flags |= in_array('left-out', $classes, true) ? Outline::LEFT_OUT_OF_CONTENTS : 0;
        }
        $this->builder->heading($level, $this->inline->of($element, inHeading: true), $anchors, $flags);
    }

    private static function findLevel(\DOMElement $element): ?Level
    {
        if ('heading' === $element->getAttribute('role')) {
            $level = (int) $element->getAttribute('aria-level');

            return Level::from($level >= 1 && $level <= 9 ? $level : 2);
        }

        return 1 === preg_match('/\Ah([1-6])\z/', $element->localName ?? '', $match) ? Level::from((int) $match[1]) : null;
    }

    /**
     * @param iterable<\DOMNode> $nodes
     *
     * @return list<Node>
     */
    private function blocksOf(iterable $nodes, int $depth): array
    {
        $blocks = [];
        $run = [];
        foreach ($nodes as $node) {
            if ($node instanceof \DOMElement && HtmlBlock::isBlock($node) && $depth < self::MAX_DEPTH) {
                array_push($blocks, ...$this->paragraphOf($run), ...$this->blocksOfElement($node, $depth + 1));
                $run = [];
            } else {
                $run[] = $node;
            }
        }

        array_push($blocks, ...$this->paragraphOf($run));

        return $blocks;
    }

    /**
     * @param list<\DOMNode> $run
     *
     * @return list<Node>
     */
    private function paragraphOf(array $run): array
    {
        $inline = $this->inline->ofNodes($run);
        if ([] === $inline) {
            return [];
        }
        if (1 === count($inline) && 'image' === $inline[0]->type) {
            return [new Node('figure', $inline[0]->attributes)];
        }

        return [Node::paragraph($inline)];
    }

    /** @return list<Node> */
    private function blocksOfElement(\DOMElement $element, int $depth): array
    {
        if (self::isDropped($element) || $this->footnotes->isNotes($element)) {
            return [];
        }
        if (HtmlBlock::isPageBreak($element)) {
            return [new Node('pageBreak')];
        }
        if (HtmlBlock::isContents($element)) {
            return [HtmlBlock::contents($element)];
        }
        if (null !== self::findLevel($element)) {
            // Inside a quotation or a list it is no heading of the document, only words that stand out.
            return $this->paragraphOf(iterator_to_array($element->childNodes, false));
        }

        return match ($element->localName) {
            'p' => $this->blocksOf($element->childNodes, $depth),
            'blockquote' => self::wrapped('quotation', $this->blocksOf($element->childNodes, $depth)),
            'ul' => self::wrapped('bulletList', $this->items($element, $depth)),
            'ol' => self::wrapped('orderedList', $this->items($element, $depth), ['start' => max(0, min(999_999_999, '' === $element->getAttribute('start') ? 1 : (int) $element->getAttribute('start')))]),
            'pre' => [HtmlBlock::code($element)],
            'hr' => [new Node('separator')],
            'figure' => $this->figure($element, $depth),
            'table' => (new HtmlTable($this->inline))->blocksOf($element),
            default => $this->blocksOf($element->childNodes, $depth),
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

    /** @return list<Node> */
    private function items(\DOMElement $list, int $depth): array
    {
        $items = [];
        foreach ($list->childNodes as $child) {
            $isItem = $child instanceof \DOMElement && 'li' === $child->localName;
            $blocks = $this->blocksOf($isItem ? $child->childNodes : [$child], $depth);
            if (!$isItem && [] === $blocks) {
                continue;
            }
            $isLed = [] !== $blocks && 'paragraph' === $blocks[0]->type;
            $items[] = new Node('listItem', content: $isLed ? $blocks : [Node::paragraph([]), ...$blocks]);
        }

        return $items;
    }

    /** @return list<Node> */
    private function figure(\DOMElement $figure, int $depth): array
    {
        $images = $figure->getElementsByTagName('img');
        $image = $images->item(0);
        if (1 !== $images->length || null === $image || $figure->getElementsByTagName('table')->length > 0) {
            return $this->blocksOf($figure->childNodes, $depth);
        }
        $caption = $figure->getElementsByTagName('figcaption')->item(0);

        return [new Node('figure', HtmlInline::image($image), null === $caption ? [] : $this->inline->of($caption))];
    }
}
