<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Link\CrossReferenceShows;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Rendition\InlineVisitor;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;
use Stemmata\Format\Shared\FormulaMarkup;
use Stemmata\Format\Shared\KindStyle;
use Stemmata\Format\Shared\OfficeMath\OfficeMathWriter;

/** Writes running text as runs (ECMA-376-1, 17.3.2). Links and cross-references are links and fields of the file. */
final class Runs extends InlineVisitor
{
    private const PROPERTIES = [
        'code' => '<w:rStyle w:val="Code"/>',
        'strong' => '<w:b/>',
        'emphasis' => '<w:i/>',
        'struck' => '<w:strike/>',
        'superscript' => '<w:vertAlign w:val="superscript"/>',
        'subscript' => '<w:vertAlign w:val="subscript"/>',
    ];

    public function __construct(
        private readonly Rendition $rendition,
        private readonly Places $places,
        private readonly Relationships $relationships,
        private readonly Media $media,
        private readonly ?Notes $notes,
    ) {}

    /** @param list<Node> $inline */
    public function of(array $inline): string
    {
        $xml = '';
        foreach (self::groups(array_map(self::linkFirst(...), $inline), 0) as [$mark, $group]) {
            // Groups are made by any mark; only a link holds them together here.
            $runs = implode('', array_map($this->part(...), $group));
            $xml .= null !== $mark && 'link' === $mark->type ? $this->linked($mark, $runs) : $runs;
        }

        return $xml;
    }

    /** One run of plain words, as in a line of contents. */
    public static function words(string $text, string $properties = ''): string
    {
        $xml = '';
        foreach (
            preg_split('/([\t\n])/', $text, -1, \PREG_SPLIT_DELIM_CAPTURE | \PREG_SPLIT_NO_EMPTY) ?: []
            as $piece
        ) {
            $xml .= match ($piece) {
                "\t" => '<w:tab/>',
                "\n" => '<w:br/>',
                default => '<w:t xml:space="preserve">' . Xml::escaped($piece) . '</w:t>',
            };
        }

        return '' === $xml
            ? ''
            : '<w:r>' . ('' === $properties ? '' : '<w:rPr>' . $properties . '</w:rPr>') . $xml . '</w:r>';
    }

    protected function text(Node $text): string
    {
        return self::words(
            $text->text,
            ByHand::run(
                self::properties($text),
                $text->shape(),
                $this->rendition->document->setup->style()->of(TextKind::Body)->size,
            ),
        );
    }

    protected function hardBreak(): string
    {
        return '<w:r><w:br/></w:r>';
    }

    protected function bookmark(Node $bookmark): string
    {
        return $this->places->bookmark($bookmark->textAttribute('id'), $bookmark->textAttribute('name'));
    }

    protected function bookmarkEnd(Node $end): string
    {
        return $this->places->end($end->textAttribute('id'));
    }

    public function image(Node $image): string
    {
        $source = $image->textAttribute('src');
        $picture = $this->rendition->findPicture($source);
        if (
            null === $picture &&
            '' !== $source &&
            !str_starts_with($source, 'data:') &&
            null === Picture::findHash($source)
        ) {
            // A file that is opened fetches nothing; who wants the picture can go there.
            return $this->hyperlink(
                'r:id="' . $this->relationships->address($source) . '"',
                self::words($image->textAttribute('alt') ?: 'Picture', '<w:rStyle w:val="OutsidePicture"/>'),
            );
        }
        $drawing = null === $picture ? '' : $this->media->drawing($picture, $image, $this->relationships);

        return '' === $drawing ? self::words($image->textAttribute('alt')) : '<w:r>' . $drawing . '</w:r>';
    }

    protected function formula(Node $formula): string
    {
        return $this->math($formula);
    }

    /** A formula, or the words of its source where it cannot be read. */
    public function math(Node $formula): string
    {
        $source = $formula->textAttribute('source');
        $mathMl = FormulaMarkup::findMathMl($source);

        return (null === $mathMl ? null : OfficeMathWriter::findWritten($mathMl)) ??
            self::words($source, self::PROPERTIES['code']);
    }

    protected function footnote(Node $footnote): string
    {
        return null === $this->notes
            ? ''
            : sprintf(
                '<w:r><w:rPr><w:rStyle w:val="FootnoteReference"/></w:rPr><w:footnoteReference w:id="%d"/></w:r>',
                $this->notes->add($footnote),
            );
    }

    /** One that leads to a section is a field, which the reader's program keeps right; one to a bookmark is a link. */
    public function crossReference(Node $reference): string
    {
        $target = $reference->textAttribute('href');
        $words = $this->rendition->places->crossReferenceWords($reference);
        $place = $this->places->find($target);
        if (null === $place) {
            return self::words($words);
        }
        $shows = CrossReferenceShows::tryFrom($reference->textAttribute('shows')) ?? CrossReferenceShows::Both;
        $style = sprintf('<w:rStyle w:val="%s"/>', self::referenceStyle($shows));
        if (LinkTarget::toSection((string) LinkTarget::findInnerId($target)) !== $target) {
            return $this->hyperlink('w:anchor="' . Xml::escaped($place) . '"', self::words($words, $style));
        }
        $number = $this->rendition->places->crossReferenceNumber($reference);
        $heading =
            CrossReferenceShows::Number === $shows && '' !== $number
                ? ''
                : ltrim(substr($words, CrossReferenceShows::Heading === $shows ? 0 : strlen($number)));
        $xml =
            CrossReferenceShows::Heading === $shows || '' === $number
                ? ''
                : self::field('REF ' . $place . ' \r \h', self::words($number, $style));

        if ('' === $xml && '' === $heading) {
            // A section without words: nothing is seen, and the reference is there.
            return self::field('REF ' . $place . ' \h', '<w:r><w:rPr>' . $style . '</w:rPr><w:t/></w:r>');
        }

        return $xml .
            ('' === $heading
                ? ''
                : ('' === $xml ? '' : self::words(' ', $style)) .
                    self::field('REF ' . $place . ' \h', self::words($heading, $style)));
    }

    public static function referenceStyle(CrossReferenceShows $shows): string
    {
        return 'CrossReference' . ucfirst($shows->value);
    }

    /** A field with its instruction and what it comes to (ECMA-376-1, 17.16). */
    public static function field(string $instruction, string $result): string
    {
        return self::fieldBegin($instruction) . $result . self::FIELD_END;
    }

    public static function fieldBegin(string $instruction): string
    {
        return '<w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText xml:space="preserve"> ' .
            Xml::escaped($instruction) .
            ' </w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r>';
    }

    public const FIELD_END = '<w:r><w:fldChar w:fldCharType="end"/></w:r>';

    private function linked(Mark $link, string $runs): string
    {
        $target = (string) $link->attribute('href');
        $place = $this->places->find($target);
        if (null === $place && !$this->rendition->places->leadsSomewhere($target)) {
            return $runs;
        }
        $hint = $link->attribute('title');
        $tip = is_string($hint) && '' !== $hint ? ' w:tooltip="' . Xml::escaped($hint) . '"' : '';

        return $this->hyperlink(
            (null === $place
                ? 'r:id="' . $this->relationships->address($target) . '"'
                : 'w:anchor="' . Xml::escaped($place) . '"') . $tip,
            $runs,
        );
    }

    private function hyperlink(string $attributes, string $runs): string
    {
        return '<w:hyperlink ' . $attributes . ' w:history="1">' . $runs . '</w:hyperlink>';
    }

    /** Formats differ in which mark stands outermost; here it is the link, whatever others its words bear. */
    private static function linkFirst(Node $node): Node
    {
        $link = $node->findMark('link');

        return null === $link
            ? $node
            : $node->withMarks([
                $link,
                ...array_values(array_filter($node->marks, static fn(Mark $mark): bool => 'link' !== $mark->type)),
            ]);
    }

    private static function properties(Node $text): string
    {
        $kind = $text->findMark('kind')?->attribute('name');
        if (is_string($kind) && null === $text->findMark('code')) {
            return '<w:rStyle w:val="' . KindStyle::id($kind) . '"/>' . self::marks($text);
        }
        $xml =
            null === $text->findMark('link') || null !== $text->findMark('code') ? '' : '<w:rStyle w:val="Hyperlink"/>';

        return $xml . self::marks($text);
    }

    private static function marks(Node $text): string
    {
        $xml = '';
        foreach (self::PROPERTIES as $type => $property) {
            // Words stand above the line or below it, not both.
            $isOther = 'subscript' === $type && null !== $text->findMark('superscript');
            $xml .= null === $text->findMark($type) || $isOther ? '' : $property;
        }

        return $xml;
    }
}
