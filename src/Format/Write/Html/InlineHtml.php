<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Html;

use Stemmata\Core\Link\KindName;
use Stemmata\Core\Rendition\InlineVisitor;
use Stemmata\Core\Rendition\Places;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Shared\FormulaMarkup;
use Stemmata\Format\Shared\HouseCss;
use Stemmata\Format\Shared\StyleCss;

/** Writes running text as HTML. Notes are gathered and written where the document ends. */
final class InlineHtml extends InlineVisitor
{
    private const TAGS = [
        'emphasis' => 'em',
        'strong' => 'strong',
        'code' => 'code',
        'struck' => 's',
        'superscript' => 'sup',
        'subscript' => 'sub',
    ];

    /** @var list<string> */
    private array $notes = [];

    private readonly Places $places;

    public function __construct(private readonly Rendition $rendition)
    {
        $this->places = $rendition->places;
    }

    public static function escaped(string $text): string
    {
        return htmlspecialchars($text, \ENT_QUOTES | \ENT_SUBSTITUTE | \ENT_HTML5);
    }

    /** @param list<Node> $inline */
    public function of(array $inline): string
    {
        return $this->grouped($inline, 0);
    }

    public function image(Node $image): string
    {
        $source = $this->rendition->pictureAddress($image->textAttribute('src'));
        if ('' !== $source && !str_starts_with($source, 'data:')) {
            // A file that is opened fetches nothing; who wants the picture can go there.
            return sprintf(
                '<a class="outside-picture" href="%s">%s</a>',
                self::escaped($source),
                self::escaped($image->textAttribute('alt') ?: 'Picture'),
            );
        }

        $width = $image->attribute('width');

        return sprintf(
            '<img src="%s" alt="%s"%s%s>',
            self::escaped($source),
            self::escaped($image->textAttribute('alt')),
            true === $image->attribute('decorative') ? ' role="presentation"' : '',
            is_int($width) ? ' style="width: ' . $width . '%"' : '',
        );
    }

    /** The notes met so far, with the roles of DPUB-ARIA 1.1; empty when there are none. */
    public function notes(): string
    {
        $items = '';
        foreach ($this->notes as $index => $note) {
            $number = $index + 1;
            $items .= sprintf(
                "<li id=\"fn-%d\" role=\"doc-endnote\"><p>%s <a href=\"#fnref-%d\" role=\"doc-backlink\" aria-label=\"Back to the text\">↩</a></p></li>\n",
                $number,
                $note,
                $number,
            );
        }

        return '' === $items ? '' : "<section role=\"doc-endnotes\">\n<ol>\n" . $items . "</ol>\n</section>\n";
    }

    /** @param list<Node> $nodes */
    private function grouped(array $nodes, int $depth): string
    {
        $html = '';
        foreach (self::groups($nodes, $depth) as [$mark, $group]) {
            $html .= null === $mark ? $this->part($group[0]) : $this->marked($mark, $this->grouped($group, $depth + 1));
        }

        return $html;
    }

    /** What is said by hand of a look, as an attribute. */
    public function byHand(Shape $shape): string
    {
        return $shape->isEmpty()
            ? ''
            : ' style="' . self::escaped(HouseCss::byHand($shape, $this->rendition->document->setup->style())) . '"';
    }

    private function marked(Mark $mark, string $inner): string
    {
        if ('shape' === $mark->type) {
            $shape = Shape::kept((string) $mark->attribute('said'), true);
            $style = StyleCss::declared(StyleCss::ofWords($shape->ofWords()));

            return '' === $style ? $inner : '<span style="' . self::escaped($style) . '">' . $inner . '</span>';
        }
        if ('kind' === $mark->type) {
            return sprintf('<span class="%s%s">%s</span>', KindName::PREFIX, (string) $mark->attribute('name'), $inner);
        }
        if ('link' !== $mark->type) {
            $tag = self::TAGS[$mark->type];

            return "<{$tag}>{$inner}</{$tag}>";
        }
        if (!$this->places->leadsSomewhere((string) $mark->attribute('href'))) {
            return $inner;
        }
        $hint = $mark->attribute('title');

        return sprintf(
            '<a href="%s"%s>%s</a>',
            self::escaped($this->places->address((string) $mark->attribute('href'))),
            is_string($hint) && '' !== $hint ? ' title="' . self::escaped($hint) . '"' : '',
            $inner,
        );
    }

    protected function text(Node $text): string
    {
        return self::escaped($text->text);
    }

    protected function hardBreak(): string
    {
        return "<br>\n";
    }

    protected function bookmark(Node $bookmark): string
    {
        return sprintf('<a id="%s" class="bookmark"></a>', self::escaped($bookmark->textAttribute('name')));
    }

    /** HTML knows places only; this says where the stretch ends that begins at the bookmark of that name. */
    protected function bookmarkEnd(Node $end): string
    {
        $name = $this->places->names()[$end->textAttribute('id')] ?? null;

        return null === $name ? '' : sprintf('<a class="bookmark-end" data-of="%s"></a>', self::escaped($name));
    }

    /** The words are a copy, made when the file was written; class and data tell a reader to make them again. */
    public function crossReference(Node $reference): string
    {
        if (!$this->places->leadsSomewhere($reference->textAttribute('href'))) {
            return self::escaped($this->places->crossReferenceWords($reference));
        }

        return sprintf(
            '<a class="cross-reference" data-shows="%s" href="%s">%s</a>',
            self::escaped($reference->textAttribute('shows')),
            self::escaped($this->places->address($reference->textAttribute('href'))),
            self::escaped($this->places->crossReferenceWords($reference)),
        );
    }

    protected function formula(Node $formula): string
    {
        return FormulaMarkup::written($formula->textAttribute('source'), false);
    }

    protected function footnote(Node $note): string
    {
        // A note holds text only, so it cannot hold another note.
        $this->notes[] = $this->of($note->content);
        $number = count($this->notes);

        return sprintf('<sup><a id="fnref-%1$d" href="#fn-%1$d" role="doc-noteref">%1$d</a></sup>', $number);
    }
}
