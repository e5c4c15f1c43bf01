<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Core\Formula\Formula;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\Office\BookmarkMark;
use Stemmata\Format\Read\Office\ParagraphStyle;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\TextRun;
use Stemmata\Format\Shared\OfficeMath\OfficeMathReader;

/** Reads what stands in a paragraph: runs, links, fields, notes, pictures, tracked changes. */
final class LineReader
{
    /** Of the width that we give the text of a page: 16 cm in English Metric Units. */
    private const HUNDREDTH = 57_600;

    /** @var array<string, list<Node>> words of the notes, by kind and id */
    private array $notes = [];
    /** @var array<string, string> names of bookmarks by their number in the file */
    private array $begun = [];
    private TextRun $run;
    /** @var list<list<Node>> */
    private array $parts = [];
    /** @var list<string> */
    private array $anchors = [];
    /** @var list<\DOMElement> */
    private array $boxes = [];
    private ?int $size = null;
    private bool $metContents = false;

    public function __construct(
        private readonly DocumentBuilder $builder,
        private readonly Styles $styles,
        private readonly Relations $relations,
        private readonly PackagePictures $pictures,
        private readonly Fields $fields,
    ) {
        $this->run = new TextRun();
    }

    /** @param list<Node> $words of a footnote or endnote, read beforehand */
    public function keepNote(string $kind, string $id, array $words): void
    {
        $this->notes[$kind . ' ' . $id] = $words;
    }

    /**
     * @param bool $isHeading names in it are the section's
     * @param bool $isOfKind  whether the style says what the paragraph is, so that its look is not read as emphasis
     */
    public function line(
        \DOMElement $paragraph,
        ParagraphStyle $style,
        bool $isHeading = false,
        bool $isOfKind = false,
    ): Line {
        $this->run = new TextRun();
        [$this->parts, $this->anchors, $this->boxes, $this->size, $this->metContents] = [
            [],
            [],
            [],
            null,
            $this->fields->isContents(),
        ];
        $this->within(
            $paragraph,
            $isHeading || $isOfKind ? new ParagraphStyle(size: $style->size) : $style,
            null,
            $isHeading,
        );
        $this->parts[] = $this->run->finished();

        return new Line($this->parts, $this->anchors, $this->size ?? $style->size, $this->boxes, $this->metContents);
    }

    private function within(\DOMElement $element, ParagraphStyle $style, ?Mark $link, bool $isHeading): void
    {
        foreach (Xml::children($element) as $child) {
            $this->part($child, $style, $link, $isHeading);
        }
    }

    private function part(\DOMElement $part, ParagraphStyle $style, ?Mark $link, bool $isHeading): void
    {
        switch ($part->localName) {
            case 'r':
                $this->runOf($part, $style, $link);
                break;
            case 'hyperlink':
                $this->within($part, $style, $this->linkOf($part) ?? $link, $isHeading);
                break;
            case 'fldSimple':
                $this->simpleField($part, $style, $link, $isHeading);
                break;
            case 'bookmarkStart':
                $this->begun[Xml::attribute($part, 'id') ?? ''] = Xml::attribute($part, 'name') ?? '';
                $this->bookmark(Xml::attribute($part, 'name') ?? '', $isHeading);
                break;
            case 'bookmarkEnd':
                $this->bookmarkEnd($this->begun[Xml::attribute($part, 'id') ?? ''] ?? '');
                break;
            case 'ins':
                $this->builder->note(ImportNote::InsertionKept);
                $this->within($part, $style, $link, $isHeading);
                break;
            case 'del':
            case 'moveFrom':
                $this->builder->note(ImportNote::DeletionLeftOut);
                break;
            case 'oMath':
                $this->formula($part, false);
                break;
            case 'oMathPara':
                foreach (Xml::children($part) as $formula) {
                    if ('oMath' === $formula->localName) {
                        $this->formula($formula, !$isHeading);
                    }
                }
                break;
            case 'sdt':
                $content = Xml::child($part, 'sdtContent');
                null === $content || $this->within($content, $style, $link, $isHeading);
                break;
            case 'smartTag':
            case 'customXml':
            case 'moveTo':
            case 'dir':
            case 'bdo':
                $this->within($part, $style, $link, $isHeading);
                break;
        }
    }

    private function simpleField(\DOMElement $field, ParagraphStyle $style, ?Mark $link, bool $isHeading): void
    {
        $instruction = Xml::attribute($field, 'instr') ?? '';
        if (Fields::isContentsInstruction($instruction)) {
            $this->metContents = true;

            return;
        }
        $this->within($field, $style, $this->linkTo(Fields::targetOf($instruction)) ?? $link, $isHeading);
    }

    private function runOf(\DOMElement $run, ParagraphStyle $paragraph, ?Mark $link): void
    {
        $properties = Xml::child($run, 'rPr');
        $named = $this->styles->run(Xml::value($properties, 'rStyle'));
        $style =
            null === $properties
                ? $paragraph
                : $paragraph->with($named ?? new ParagraphStyle())->with(Properties::of(null, $properties));
        if (true === $style->hidden) {
            $this->builder->note(ImportNote::HiddenTextLeftOut);

            return;
        }
        $target = $link ?? $this->linkTo($this->fields->findTarget());
        if (null !== $named && null !== $target && $this->isOwnPart($run, $named->name, $target)) {
            return;
        }
        $isCode = true === $style->isCode || (null !== $named && 1 === preg_match('/verbatim|code/i', $named->name));
        $marks = self::marks($style, $isCode && !$paragraph->isCode(), $target, $named?->kind);
        foreach (Xml::children($run) as $piece) {
            $this->piece($piece, $marks, $style);
        }
    }

    /**
     * What we write as a link with a style that says more: a cross-reference, whose words are made anew, or a picture
     * that lies elsewhere.
     */
    private function isOwnPart(\DOMElement $run, string $style, Mark $target): bool
    {
        if (null === Xml::child($run, 't') || $this->fields->isInstruction()) {
            return false;
        }
        $address = (string) $target->attribute('href');
        if ('Picture elsewhere' === $style) {
            $this->run->part(new Node('image', ['src' => $address, 'alt' => $run->textContent]));

            return true;
        }
        if (1 !== preg_match('/\ACross-reference (number|heading|both|page)\z/', $style, $match)) {
            return false;
        }
        // Number and heading are two fields beside each other.
        $reference = new Node('crossReference', ['href' => $address, 'shows' => $match[1]]);
        if ($this->run->findLast() != $reference) {
            $this->run->part($reference);
        }

        return true;
    }

    /** @param list<Mark> $marks */
    private function piece(\DOMElement $piece, array $marks, ParagraphStyle $style): void
    {
        $name = $piece->localName;
        if ('fldChar' === $name) {
            $this->fieldSign(Xml::attribute($piece, 'fldCharType') ?? '');
        } elseif ('instrText' === $name) {
            $this->fields->instruct($piece->textContent);
        } elseif ($this->fields->isInstruction() || $this->fields->isContents()) {
            return;
        } else {
            $this->content($piece, $marks, $style);
        }
    }

    /** @param list<Mark> $marks */
    private function content(\DOMElement $piece, array $marks, ParagraphStyle $style): void
    {
        switch ($piece->localName) {
            case 't':
                $this->words($piece->textContent, $marks, $style);
                break;
            case 'tab':
            case 'ptab':
                $this->words("\t", $marks, $style);
                break;
            case 'noBreakHyphen':
                $this->words("\u{2011}", $marks, $style);
                break;
            case 'sym':
                $this->words((string) mb_chr((int) hexdec(Xml::attribute($piece, 'char') ?? '')), $marks, $style);
                break;
            case 'cr':
                $this->run->part(new Node('hardBreak'));
                break;
            case 'br':
                $this->break(Xml::attribute($piece, 'type') ?? 'textWrapping');
                break;
            case 'footnoteReference':
            case 'endnoteReference':
                $this->note($piece);
                break;
            case 'drawing':
            case 'pict':
            case 'object':
                $this->drawing($piece, $marks);
                break;
            case 'AlternateContent':
                $choice = Xml::child($piece, 'Choice') ?? Xml::child($piece, 'Fallback');
                foreach (null === $choice ? [] : Xml::children($choice) as $inner) {
                    $this->piece($inner, $marks, $style);
                }
                break;
            case 'commentReference':
                $this->builder->note(ImportNote::CommentLeftOut);
                break;
        }
    }

    private function fieldSign(string $type): void
    {
        match ($type) {
            'begin' => $this->fields->begin(),
            'separate' => $this->fields->separate(),
            'end' => $this->fields->end(),
            default => null,
        };
        $this->metContents = $this->metContents || $this->fields->isContents();
    }

    /** @param list<Mark> $marks */
    private function words(string $text, array $marks, ParagraphStyle $style): void
    {
        if ('' !== trim($text) && null !== $style->size) {
            $this->size = min($this->size ?? $style->size, $style->size);
        }
        $this->run->text(mb_scrub($text), $marks);
    }

    private function break(string $type): void
    {
        if ('page' === $type) {
            $this->parts[] = $this->run->finished();
        } elseif ('column' !== $type) {
            $this->run->part(new Node('hardBreak'));
        }
    }

    /** Programs name stretches for themselves; of those the place is enough. */
    private function bookmarkEnd(string $name): void
    {
        $end = BookmarkMark::isHidden($name) ? null : $this->builder->findBookmarkEnd($name);
        if (null !== $end) {
            $this->run->part($end);
        }
    }

    private function bookmark(string $name, bool $isHeading): void
    {
        if (!BookmarkMark::isPlace($name)) {
            return;
        }
        // Programs name headings for themselves, so a name in one is the section's, unless we know whose it is.
        if (
            $isHeading &&
            (BookmarkMark::isHidden($name) || [] === array_filter($this->anchors, BookmarkMark::isOurSection(...)))
        ) {
            $this->anchors[] = $name;
        } else {
            $this->run->part($this->builder->bookmark($name, BookmarkMark::isHidden($name)));
        }
    }

    private function note(\DOMElement $reference): void
    {
        $words = $this->notes[$reference->localName . ' ' . (Xml::attribute($reference, 'id') ?? '')] ?? null;
        if (null !== $words) {
            $this->builder->noteReadBefore($words);
            $this->run->part(new Node('footnote', content: $words));
        }
    }

    /** @param list<Mark> $marks */
    private function drawing(\DOMElement $drawing, array $marks): void
    {
        $box = Xml::descendant($drawing, 'txbxContent');
        if (null !== $box) {
            $this->builder->note(ImportNote::TextBoxInLine);
            array_push($this->boxes, ...iterator_to_array(Xml::children($box), false));
        }
        $picture =
            Xml::descendant($drawing, 'svgBlip') ??
            (Xml::descendant($drawing, 'blip') ?? Xml::descendant($drawing, 'imagedata'));
        if (null === $picture) {
            if (null === $box) {
                $this->builder->note(ImportNote::ObjectLost);
            }

            return;
        }
        $properties = Xml::descendant($drawing, 'docPr');
        $alt =
            Xml::attribute($properties, 'descr') ?:
            Xml::attribute($properties, 'title') ?:
            Xml::attribute(Xml::descendant($drawing, 'shape'), 'alt') ?:
            '';
        $id =
            Xml::attribute($picture, 'embed') ?:
            Xml::attribute($picture, 'link') ?:
            Xml::attribute($picture, 'id') ?:
            '';
        $this->run->part(
            new Node(
                'image',
                [
                    'src' => $this->pictures->source($this->relations, $id),
                    'alt' => trim($alt),
                    ...self::shownAs($drawing),
                ],
                marks: array_values(array_filter($marks, static fn(Mark $mark): bool => 'link' === $mark->type)),
            ),
        );
    }

    /** @return array{width?: int, decorative?: true} a width that is a whole part of the text’s was wanted so */
    private static function shownAs(\DOMElement $drawing): array
    {
        $width = (int) (Xml::attribute(Xml::descendant($drawing, 'extent'), 'cx') ?? 0);
        $share = 0 === $width % self::HUNDREDTH ? intdiv($width, self::HUNDREDTH) : 0;

        return [
            ...$share >= 5 && $share < 100 ? ['width' => $share] : [],
            ...'1' === Xml::attribute(Xml::descendant($drawing, 'decorative'), 'val') ? ['decorative' => true] : [],
        ];
    }

    private function formula(\DOMElement $formula, bool $isBlock): void
    {
        $source = OfficeMathReader::findMathMl($formula);
        if (null !== $source && Formula::isSound($source)) {
            $this->run->part(Node::formula($source, $isBlock));

            return;
        }
        $this->builder->note(ImportNote::FormulaAsText);
        $this->run->text(mb_scrub($formula->textContent), []);
    }

    private function linkOf(\DOMElement $hyperlink): ?Mark
    {
        $id = Xml::attribute($hyperlink, 'id');
        $address = null === $id ? '' : $this->relations->findAddress($id) ?? '';
        $anchor = Xml::attribute($hyperlink, 'anchor') ?? '';
        $hint = Xml::attribute($hyperlink, 'tooltip');

        return $this->checked($address . ('' === $anchor ? '' : '#' . $anchor), $hint);
    }

    private function checked(string $address, ?string $hint): ?Mark
    {
        if ('' === $address) {
            return null;
        }
        if (!LinkTarget::isValid($address) || null !== LinkTarget::findInnerId($address)) {
            $this->builder->note(ImportNote::LinkUnsafe, $address);

            return null;
        }

        return $this->builder->link($address, $hint);
    }

    private function linkTo(?string $target): ?Mark
    {
        return null === $target || !LinkTarget::isValid($target) || null !== LinkTarget::findInnerId($target)
            ? null
            : $this->builder->link($target);
    }

    /** @return list<Mark> */
    private static function marks(ParagraphStyle $style, bool $isCode, ?Mark $link, ?string $kind): array
    {
        $marks = [];
        if (null !== $kind) {
            $marks['kind'] = new Mark('kind', ['name' => $kind]);
        }
        if (null !== $link) {
            $marks['link'] = $link;
        }
        foreach (
            [
                'emphasis' => $style->italic,
                'strong' => $style->bold,
                'code' => $isCode,
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
