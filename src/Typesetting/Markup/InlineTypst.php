<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Markup;

use Stemmata\Core\Link\CrossReferenceShows;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Rendition\InlineVisitor;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;

/** Writes running text as markup of the engine. Pictures that are met are remembered: the engine must be given them. */
final class InlineTypst extends InlineVisitor
{
    private const FUNCTIONS = [
        'emphasis' => 'emph',
        'strong' => 'strong',
        'code' => 'code',
        'struck' => 'strike',
        'superscript' => 'super',
        'subscript' => 'sub',
    ];

    /** @var array<string, Picture> by hash */
    public array $pictures = [];

    public function __construct(private readonly Rendition $rendition) {}

    /** @param list<Node> $inline */
    public function of(array $inline): string
    {
        return $this->grouped($inline, 0);
    }

    /** @param list<Node> $nodes */
    private function grouped(array $nodes, int $depth): string
    {
        $markup = '';
        foreach (self::groups($nodes, $depth) as [$mark, $group]) {
            $markup .=
                null === $mark ? $this->part($group[0]) : $this->marked($mark, $this->grouped($group, $depth + 1));
        }

        return $markup;
    }

    private function marked(Mark $mark, string $inner): string
    {
        if ('' === $inner) {
            return '';
        }
        if ('kind' === $mark->type) {
            return sprintf('#word(%s)[%s];', TypstValue::string((string) $mark->attribute('name')), $inner);
        }
        if ('shape' === $mark->type) {
            $shape = Shape::kept((string) $mark->attribute('said'), true);

            return $shape->isEmpty()
                ? $inner
                : sprintf('#worded(%s)[%s];', StyleTypst::words($shape->ofWords()), $inner);
        }
        if ('link' !== $mark->type) {
            return sprintf('#%s[%s];', self::FUNCTIONS[$mark->type], $inner);
        }
        $target = (string) $mark->attribute('href');
        if (!$this->rendition->places->leadsSomewhere($target)) {
            return $inner;
        }
        $id = LinkTarget::findInnerId($target);

        return null === $id
            ? sprintf('#link(%s)[%s];', TypstValue::string($target), $inner)
            : sprintf('#to-place(%s)[%s];', $this->spot($id), $inner);
    }

    protected function text(Node $text): string
    {
        return TypstValue::words($text->text);
    }

    protected function hardBreak(): string
    {
        return '#linebreak();';
    }

    protected function bookmark(Node $bookmark): string
    {
        return sprintf('#spot("bookmark", %s);', TypstValue::string($bookmark->textAttribute('id')));
    }

    protected function bookmarkEnd(Node $end): string
    {
        return '';
    }

    public function crossReference(Node $reference): string
    {
        $target = $reference->textAttribute('href');
        $words = $this->rendition->places->crossReferenceWords($reference);
        $id = $this->rendition->findPlaceId($target);
        if (null === $id) {
            return TypstValue::words($words);
        }
        if (CrossReferenceShows::Page->value === $reference->textAttribute('shows')) {
            return sprintf('#to-page(%s)[%s];', $this->spot($id), TypstValue::words($words));
        }

        return sprintf('#to-place(%s)[%s];', $this->spot($id), TypstValue::words($words));
    }

    /** The label of a place: sections and bookmarks may share an id, where a section became the opening. */
    private function spot(string $id): string
    {
        return sprintf(
            'spot-label(%s, %s)',
            isset($this->rendition->document->outline->positions()[$id]) ? '"section"' : '"bookmark"',
            TypstValue::string($id),
        );
    }

    public function image(Node $image): string
    {
        return sprintf(
            '#inline-picture(%s, %s, %s, %s);',
            $this->pictureName($image),
            TypstValue::of($image->attribute('width')),
            TypstValue::of($image->textAttribute('alt')),
            TypstValue::of(true === $image->attribute('decorative')),
        );
    }

    /** The name by which the engine knows a picture; “none” for one that lies elsewhere or is no longer kept. */
    public function pictureName(Node $image): string
    {
        $picture = $this->rendition->findPicture($image->textAttribute('src'));
        if (null === $picture) {
            return 'none';
        }
        $this->pictures[$picture->hash] = $picture;

        return TypstValue::string($picture->hash);
    }

    protected function formula(Node $formula): string
    {
        return MathTypst::equation($formula->textAttribute('source'), false);
    }

    protected function footnote(Node $note): string
    {
        return sprintf('#footnote[%s];', $this->of($note->content));
    }
}
