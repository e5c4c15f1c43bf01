<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\Node;

/** The footnotes of the file (ECMA-376-1, 17.11). The first two are the lines that stand between text and notes. */
final class Notes
{
    private const LINES = '<w:footnote w:type="separator" w:id="-1"><w:p><w:r><w:separator/></w:r></w:p></w:footnote><w:footnote w:type="continuationSeparator" w:id="0"><w:p><w:r><w:continuationSeparator/></w:r></w:p></w:footnote>';
    private const SIGN = '<w:r><w:rPr><w:rStyle w:val="FootnoteReference"/></w:rPr><w:footnoteRef/></w:r><w:r><w:t xml:space="preserve"> </w:t></w:r>';

    /** @var list<string> */
    private array $notes = [];
    private readonly Runs $runs;
    public readonly Relationships $relationships;

    public function __construct(Rendition $rendition, Places $places, Media $media)
    {
        $this->relationships = new Relationships();
        // A note holds text only, so it cannot hold another note.
        $this->runs = new Runs($rendition, $places, $this->relationships, $media, null);
    }

    /** @return int the id by which the text refers to it */
    public function add(Node $footnote): int
    {
        $id = count($this->notes) + 1;
        $this->notes[] = sprintf(
            '<w:footnote w:id="%d"><w:p><w:pPr><w:pStyle w:val="FootnoteText"/></w:pPr>%s%s</w:p></w:footnote>',
            $id,
            self::SIGN,
            $this->runs->of($footnote->content),
        );

        return $id;
    }

    /** @return iterable<string> */
    public function toXml(): iterable
    {
        $more = str_contains(implode('', $this->notes), '<w14:') ? StylesPart::MORE_NAMES : '';
        yield Xml::HEAD . '<w:footnotes ' . Xml::NAMES . $more . '>' . self::LINES;
        yield from $this->notes;
        yield '</w:footnotes>';
    }
}
