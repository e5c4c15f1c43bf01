<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Odt;

use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\FormulaLines;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\Office\BookmarkMark;
use Stemmata\Format\Read\Office\ParagraphStyle;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\TextRun;

/** Reads what stands in a paragraph (OASIS ODF 1.3 part 3, 6): blanks folded, spans, links, notes, fields, pictures. */
final class LineReader
{
    private TextRun $run;
    private bool $endsInBlank = true;
    /** @var list<string> */
    private array $anchors = [];
    /** @var list<\DOMElement> frames that hold more than a picture */
    private array $frames = [];
    private ?int $size = null;
    private string $printed = '';

    public function __construct(
        private readonly DocumentBuilder $builder,
        private readonly Styles $styles,
        private readonly PackagePictures $pictures,
    ) {
        $this->run = new TextRun();
    }

    /** @param bool $isOfKind whether the style says what the paragraph is, so that its look is not read as emphasis */
    public function line(
        \DOMElement $paragraph,
        ParagraphStyle $style,
        bool $isHeading = false,
        bool $isOfKind = false,
    ): Line {
        [$this->run, $this->endsInBlank, $this->anchors, $this->frames, $this->size, $this->printed] = [
            new TextRun(),
            true,
            [],
            [],
            null,
            '',
        ];
        $this->within(
            $paragraph,
            $isHeading || $isOfKind ? new ParagraphStyle(size: $style->size) : $style,
            null,
            $isHeading,
        );

        return new Line(
            $this->run->finished(),
            $this->anchors,
            $this->size ?? $style->size,
            $this->frames,
            $this->printed,
        );
    }

    private function within(\DOMElement $element, ParagraphStyle $style, ?Mark $link, bool $isHeading): void
    {
        for ($child = $element->firstChild; null !== $child; $child = $child->nextSibling) {
            if ($child instanceof \DOMText) {
                $this->words($child->data, $style, $link);
            } elseif ($child instanceof \DOMElement) {
                $this->part($child, $style, $link, $isHeading);
            }
        }
    }

    private function part(\DOMElement $part, ParagraphStyle $style, ?Mark $link, bool $isHeading): void
    {
        switch ($part->localName) {
            case 'span':
                $this->span($part, $style, $link, $isHeading);
                break;
            case 'a':
                $this->within($part, $style, $this->linkOf($part) ?? $link, $isHeading);
                break;
            case 's':
                $this->blanks(max(1, min(200, (int) (Xml::attribute($part, 'c') ?? 1))), $style, $link);
                break;
            case 'tab':
                $this->literal("\t", $style, $link);
                break;
            case 'line-break':
                $this->run->part(new Node('hardBreak'));
                $this->endsInBlank = true;
                break;
            case 'bookmark':
            case 'bookmark-start':
            case 'reference-mark':
            case 'reference-mark-start':
                $this->bookmark(Xml::attribute($part, 'name') ?? '', $isHeading);
                break;
            case 'bookmark-end':
            case 'reference-mark-end':
                $end = $this->builder->findBookmarkEnd(Xml::attribute($part, 'name') ?? '');
                if (null !== $end && !BookmarkMark::isHidden(Xml::attribute($part, 'name') ?? '')) {
                    $this->run->part($end);
                }
                break;
            case 'bookmark-ref':
            case 'reference-ref':
                $target = '#' . Xml::attribute($part, 'ref-name');
                $this->within(
                    $part,
                    $style,
                    LinkTarget::isValid($target) ? $this->builder->link($target) : $link,
                    $isHeading,
                );
                break;
            case 'note':
                $this->note($part, $style);
                break;
            case 'number':
                $this->printed = trim($part->textContent);
                break;
            case 'annotation':
                $this->builder->note(ImportNote::CommentLeftOut);
                break;
            case 'frame':
            case 'custom-shape':
                $this->frame($part, $link);
                break;
            case 'annotation-end':
            case 'soft-page-break':
            case 'change':
            case 'change-start':
            case 'change-end':
            case 'ruby-text':
            case 'script':
            case 'toc-mark':
            case 'alphabetical-index-mark':
                break;
            case 'hidden-text':
                $this->builder->note(ImportNote::HiddenTextLeftOut);
                break;
            default:
                $this->within($part, $style, $link, $isHeading);
        }
    }

    private function span(\DOMElement $span, ParagraphStyle $style, ?Mark $link, bool $isHeading): void
    {
        $own = $style->with($this->styles->run(Xml::attribute($span, 'style-name')));
        if (true === $own->hidden) {
            $this->builder->note(ImportNote::HiddenTextLeftOut);

            return;
        }
        $this->within($span, $own, $link, $isHeading);
    }

    private function words(string $text, ParagraphStyle $style, ?Mark $link): void
    {
        $folded = (string) preg_replace('/[ \t\r\n]+/', ' ', $text);
        $folded = $this->endsInBlank ? ltrim($folded, ' ') : $folded;
        if ('' !== $folded) {
            $this->literal($folded, $style, $link);
            $this->endsInBlank = str_ends_with($folded, ' ');
        }
    }

    private function blanks(int $count, ParagraphStyle $style, ?Mark $link): void
    {
        $this->run->text(str_repeat(' ', $count), self::marks($style, $link));
        $this->endsInBlank = false;
    }

    private function literal(string $text, ParagraphStyle $style, ?Mark $link): void
    {
        if ('' !== trim($text) && null !== $style->size) {
            $this->size = min($this->size ?? $style->size, $style->size);
        }
        $this->run->text($text, self::marks($style, $link));
        $this->endsInBlank = false;
    }

    private function bookmark(string $name, bool $isHeading): void
    {
        if (!BookmarkMark::isPlace($name)) {
            return;
        }
        if ($isHeading) {
            $this->anchors[] = $name;
        } else {
            $this->run->part($this->builder->bookmark($name, BookmarkMark::isHidden($name)));
        }
    }

    private function note(\DOMElement $note, ParagraphStyle $style): void
    {
        $words = [];
        $body = Xml::child($note, 'note-body');
        foreach (null === $body ? [] : Xml::children($body) as $paragraph) {
            $inner = new self($this->builder, $this->styles, $this->pictures);
            $inline = FormulaLines::wordsOnly($inner->line($paragraph, new ParagraphStyle())->inline);
            if ([] !== $words && [] !== $inline) {
                $this->builder->note(ImportNote::NoteFlattened);
                $words[] = Node::text(' ');
            }
            $words = [...$words, ...$inline];
        }
        $this->run->part(new Node('footnote', content: $words));
        $this->endsInBlank = false;
    }

    private function frame(\DOMElement $frame, ?Mark $link): void
    {
        if (null !== Xml::descendant($frame, 'p')) {
            $this->frames[] = $frame;

            return;
        }
        $formula = $this->pictures->findFormula($frame);
        if (null !== $formula) {
            $this->run->part($formula);
            $this->endsInBlank = false;

            return;
        }
        $picture = $this->pictures->picture($frame);
        if (null === $picture) {
            $this->builder->note(
                null === Xml::descendant($frame, 'object') ? ImportNote::ObjectLost : ImportNote::FormulaAsText,
            );

            return;
        }
        $this->run->part(new Node('image', $picture, marks: null === $link ? [] : [$link]));
        $this->endsInBlank = false;
    }

    private function linkOf(\DOMElement $link): ?Mark
    {
        $address = trim(Xml::attribute($link, 'href') ?? '');
        // Some programs put the kind of the target behind its name: “#Soils|outline”.
        $address = (string) preg_replace('/\|(?:outline|table|frame|graphic|region|ole|text)\z/', '', $address);
        if ('' === $address) {
            return null;
        }
        if (!LinkTarget::isValid($address) || null !== LinkTarget::findInnerId($address)) {
            $this->builder->note(ImportNote::LinkUnsafe, $address);

            return null;
        }
        $hint = Xml::attribute($link, 'title');

        return $this->builder->link($address, $hint);
    }

    /** @return list<Mark> */
    private static function marks(ParagraphStyle $style, ?Mark $link): array
    {
        $marks = null === $link ? [] : ['link' => $link];
        foreach (
            [
                'emphasis' => $style->italic,
                'strong' => $style->bold,
                'code' => $style->isCode,
                'struck' => $style->struck,
                'superscript' => 'superscript' === $style->vertical,
                'subscript' => 'subscript' === $style->vertical,
            ]
            as $type => $isOn
        ) {
            if (true === $isOn) {
                $marks[$type] = new Mark($type);
            }
        }

        return TextRun::ordered($marks);
    }
}
