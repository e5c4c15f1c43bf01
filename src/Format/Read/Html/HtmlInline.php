<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Formula\Formula;
use Stemmata\Core\Link\CrossReferenceShows;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\TextRun;
use Stemmata\Format\Shared\FormulaMarkup;

/** Reads running text: white space folded as in a browser, known elements as marks, all others as their words. */
final class HtmlInline
{
    /** A heading that looks bold as a whole does so because it is one. */
    private const OF_A_WHOLE_HEADING = ['struck' => true, 'link' => true];

    /** A note cannot hold a note; one that refers to itself would never end. */
    private bool $isInNote = false;

    public function __construct(
        private readonly DocumentBuilder $builder,
        private readonly Footnotes $footnotes,
        private readonly Surroundings $surroundings,
    ) {}

    /** @return list<Node> */
    public function of(\DOMElement $element, bool $inHeading = false): array
    {
        return $this->ofNodes(iterator_to_array($element->childNodes, false), $inHeading);
    }

    /**
     * @param list<\DOMNode> $nodes
     *
     * @return list<Node>
     */
    public function ofNodes(array $nodes, bool $inHeading = false): array
    {
        $run = new InlineRun();
        $around = null;
        $marks = [];
        foreach ($nodes as $node) {
            // Most stand side by side.
            if (null !== $node->parentNode && true !== $around?->isSameNode($node->parentNode)) {
                $around = $node->parentNode;
                $marks = $this->marksIn($around, $inHeading);
            }
            $this->readInto($run, $node, $marks, $inHeading);
        }

        return $run->finished();
    }

    /**
     * Of what is around the parts of an element: bold type or a link around whole paragraphs, the style of a cell.
     *
     * @return array<string, Mark> by type
     */
    private function marksIn(\DOMNode $element, bool $inHeading): array
    {
        $around = [];
        while ($element instanceof \DOMElement && 'body' !== $element->localName) {
            if ($element->hasAttribute('style') || !HtmlBlock::isBlock($element)) {
                $around[] = $element;
            }
            $element = $element->parentNode;
        }
        $marks = [];
        foreach (array_reverse($around) as $element) {
            $marks = $this->marksWithin($element, $marks, $inHeading);
        }

        return $inHeading ? array_intersect_key($marks, self::OF_A_WHOLE_HEADING) : $marks;
    }

    /** @return array{src: string, alt: string, width?: int, decorative?: true} */
    public function image(\DOMElement $image): array
    {
        if ('svg' === $image->localName) {
            // Shown as a picture, a drawing can run nothing and fetch nothing.
            $drawing = (string) $image->ownerDocument?->saveXML($image);
            $drawing = str_contains($drawing, 'xmlns=')
                ? $drawing
                : str_replace('<svg', '<svg xmlns="http://www.w3.org/2000/svg"', $drawing);

            return [
                'src' => $this->surroundings->picture('data:image/svg+xml;base64,' . base64_encode($drawing)),
                'alt' =>
                    $image->getAttribute('aria-label') ?: trim(HtmlTree::first($image, 'title')->textContent ?? ''),
            ];
        }
        $source = trim($image->getAttribute('src'));

        return [
            'src' => '' === $source ? '' : $this->surroundings->picture($source),
            'alt' => trim((string) preg_replace('/\s+/u', ' ', $image->getAttribute('alt'))),
            ...self::width($image),
            ...'presentation' === $image->getAttribute('role') ? ['decorative' => true] : [],
        ];
    }

    /** @return array{width?: int} in hundredths of the text’s width; a width in points says nothing of that */
    private static function width(\DOMElement $image): array
    {
        $said = $image->getAttribute('style') . ';width:' . $image->getAttribute('width');
        $isSaid = 1 === preg_match('/(?:^|[;\s])width:\s*(\d{1,3})(?:\.\d+)?%/', $said, $match);
        $width = $isSaid ? (int) $match[1] : 0;

        return $width >= 5 && $width <= 100 ? ['width' => $width] : [];
    }

    /** @param array<string, Mark> $marks by type */
    private function readInto(InlineRun $run, \DOMNode $node, array $marks, bool $inHeading): void
    {
        if ($node instanceof \DOMText) {
            $run->words($node->data, $marks);
        }
        if (!($node instanceof \DOMElement) || (!self::isTask($node) && HtmlDropped::noted($node, $this->builder))) {
            return;
        }
        if ('caption-number' === $node->getAttribute('class')) {
            // Written by us, and computed again.
            return;
        }
        if ('a' === $node->localName && $inHeading && HeadingLink::isSign($node)) {
            return;
        }
        if ('ins' === $node->localName) {
            $this->builder->note(ImportNote::InsertionKept);
        }
        $note =
            $this->footnotes->findFor($node) ??
            (Footnotes::isReference($node) ? $this->surroundings->findNote($node->getAttribute('href')) : null);
        if (null !== $note) {
            if (!$this->isInNote) {
                $this->isInNote = true;
                $run->part(new Node('footnote', content: $this->noteText($note)));
                $this->isInNote = false;
            }

            return;
        }
        if (self::isTask($node)) {
            // What is done, and what is to do.
            $run->words($node->hasAttribute('checked') ? '☑ ' : '☐ ', []);

            return;
        }
        if ('rt' === $node->localName) {
            $this->reading($run, $node, $marks, $inHeading);

            return;
        }
        $tex = TexInPage::findSource($node);
        if (null !== $tex) {
            $this->formula($run, $node, $tex, $inHeading);

            return;
        }
        match ($node->localName) {
            'br' => $run->part(new Node('hardBreak')),
            'a' => self::isCrossReference($node)
                ? $run->part($this->crossReference($node))
                : $this->readElement($run, $node, $marks, $inHeading),
            'img', 'svg' => $run->part(new Node('image', $this->image($node), marks: TextRun::ordered($marks))),
            'math' => $this->formula($run, $node, FormulaMarkup::findSource($node), $inHeading),
            default => $this->readElement($run, $node, $marks, $inHeading),
        };
    }

    /**
     * How the words before it are read (HTML standard, 4.5.12): without brackets of its own it would run into them.
     *
     * @param array<string, Mark> $marks by type
     */
    private function reading(InlineRun $run, \DOMElement $reading, array $marks, bool $inHeading): void
    {
        $ruby = $reading->parentNode;
        $hasBrackets = $ruby instanceof \DOMElement && null !== HtmlTree::first($ruby, 'rp');
        $this->builder->note(ImportNote::ReadingsInBrackets);
        $run->words($hasBrackets ? '' : '(', $marks);
        $this->readElement($run, $reading, $marks, $inHeading);
        $run->words($hasBrackets ? '' : ')', $marks);
    }

    /** @param array<string, Mark> $marks by type */
    private function readElement(InlineRun $run, \DOMElement $element, array $marks, bool $inHeading): void
    {
        HtmlSpoken::noteLosses($element, $this->builder);
        if ($element->hasAttributes() && !$this->readNames($run, $element, $inHeading)) {
            return;
        }
        $within = $this->marksWithin($element, $marks, $inHeading);
        // The superscript around a reference is its look, not its text.
        if (isset($within['superscript']) && null !== self::onlyReference($element)) {
            $within = $marks;
        }
        $isBlock = HtmlBlock::isBlock($element);
        $run->gapIf($isBlock);
        foreach ($element->childNodes as $child) {
            $this->readInto($run, $child, $within, $inHeading);
        }
        $run->gapIf($isBlock || in_array($element->localName, ['td', 'th'], true));
    }

    /** Takes note of what the element's attributes name; says whether its words are text. */
    private function readNames(InlineRun $run, \DOMElement $element, bool $inHeading): bool
    {
        if (Footnotes::isBacklink($element)) {
            $run->trimEnd();

            return false;
        }
        if ($element->hasAttribute('data-number')) {
            return false;
        }
        if ($element->hasAttribute('data-of') && 'bookmark-end' === $element->getAttribute('class')) {
            $end = $this->builder->findBookmarkEnd($this->surroundings->anchor($element->getAttribute('data-of')));
            null === $end || $run->part($end);

            return false;
        }
        $anchor = $element->getAttribute('id') ?: ('a' === $element->localName ? $element->getAttribute('name') : '');
        // In a heading, a name with a hyphen is the section's own; HtmlFlow has taken it.
        if ('' !== $anchor && !($inHeading && str_contains($anchor, '-'))) {
            $isMeant = 'a' === $element->localName && !$element->hasAttribute('href');
            $run->part($this->builder->bookmark($this->surroundings->anchor($anchor), !$isMeant));
        }

        return true;
    }

    private static function isTask(\DOMElement $element): bool
    {
        return 'input' === $element->localName && 'checkbox' === strtolower($element->getAttribute('type'));
    }

    private static function isCrossReference(\DOMElement $element): bool
    {
        return 'cross-reference' === $element->getAttribute('class') &&
            null !== CrossReferenceShows::tryFrom($element->getAttribute('data-shows')) &&
            str_starts_with($element->getAttribute('href'), '#');
    }

    private function crossReference(\DOMElement $element): Node
    {
        return new Node('crossReference', [
            'href' => (string) $this->builder
                ->link($this->surroundings->address(trim($element->getAttribute('href'))))
                ->attribute('href'),
            'shows' => $element->getAttribute('data-shows'),
        ]);
    }

    private static function onlyReference(\DOMElement $element): ?\DOMElement
    {
        $first = $element->firstElementChild;

        return null !== $first && Footnotes::isReference($first) ? $first : null;
    }

    /**
     * @param array<string, Mark> $marks by type: those of what is around the element
     *
     * @return array<string, Mark> by type
     */
    private function marksWithin(\DOMElement $element, array $marks, bool $inHeading): array
    {
        $link =
            isset($marks['link']) || ($inHeading && HeadingLink::leadsToItself($element))
                ? null
                : $this->findLink($element);

        return HtmlMarks::within($element, $marks + array_filter(['link' => $link]));
    }

    private function findLink(\DOMElement $element): ?Mark
    {
        if ('a' !== $element->localName || !$element->hasAttribute('href')) {
            return null;
        }
        $href = trim($element->getAttribute('href'));
        if (!LinkTarget::isValid($href) || null !== LinkTarget::findInnerId($href)) {
            $this->builder->note(ImportNote::LinkUnsafe, $href);

            return null;
        }

        return $this->builder->link($this->surroundings->address($href), $element->getAttribute('title'));
    }

    private function formula(InlineRun $run, \DOMElement $element, ?string $source, bool $isInLine): void
    {
        if (null === $source || $this->isInNote) {
            $this->builder->note(ImportNote::FormulaAsText);
            $run->words(null === $source ? $element->textContent : Formula::words($source), []);

            return;
        }
        $run->part(Node::formula($source, !$isInLine && TexInPage::isDisplay($element)));
    }

    /** @return list<Node> a note holds text only, in one paragraph */
    private function noteText(\DOMElement $note): array
    {
        $run = new InlineRun();
        if (count(HtmlTree::within($note, 'p')) > 1) {
            $this->builder->note(ImportNote::NoteFlattened);
        }
        foreach ($note->childNodes as $child) {
            if ($child instanceof \DOMElement && HtmlBlock::isBlock($child)) {
                $run->gapIf(true);
            }
            $this->readInto($run, $child, [], true);
        }

        return array_values(array_filter($run->finished(), static fn(Node $node): bool => $node->isText()));
    }
}
