<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Html;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Language\Language;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Rendition\RenderedSection;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Format\Shared\HeadingFlags;
use Stemmata\Format\Shared\HouseCss;
use Stemmata\Format\Write\DocumentWriter;

/** Writes a document as one HTML file that needs no other. */
final class HtmlWriter implements DocumentWriter
{
    private const STYLE = 'body{max-width:38rem;margin:3rem auto;padding:0 1.25rem;font-size:1.05rem;color:#22302b;background:#fbf9f4}a{color:#2e6a4f}[data-number]{color:#5d6b64;font-weight:400;margin-right:.6em}.contents ul{list-style:none;padding:0}.contents [data-level="2"]{margin-left:1.5rem}.contents [data-level="3"]{margin-left:3rem}.contents [data-level="4"]{margin-left:4.5rem}table{border-collapse:collapse}td,th{border-bottom:1px solid #d9d4c6;padding:.3em .9em .3em 0;text-align:start}pre{overflow-x:auto}img{max-width:100%}.page-break{break-after:page}@page landscape{size:landscape}';

    public function endings(): array
    {
        return ['html', 'htm'];
    }

    public function passesOver(Document $document): array
    {
        return $document->setup->pages()->saysRunningLines()
            ? ['A web page has no sheets of paper: headers, footers and page numbers are not in it.']
            : [];
    }

    public function mediaType(): string
    {
        return 'text/html; charset=UTF-8';
    }

    public function write(Rendition $rendition): iterable
    {
        $inline = new InlineHtml($rendition);
        $blocks = new BlockHtml($inline, $rendition);
        yield self::head($rendition->titleBlock(), HouseCss::of($rendition->document->setup->style()));
        foreach ($rendition->sections() as $section) {
            yield self::heading($section, $inline) . $blocks->of($section->blocks);
        }
        yield $inline->notes() . "</main>\n</body>\n</html>\n";
    }

    private static function head(TitleBlock $block, string $look): string
    {
        $meta = '';
        foreach (
            ['author' => $block->author, 'subtitle' => $block->subtitle, 'date' => $block->date]
            as $name => $value
        ) {
            $meta .=
                '' === $value ? '' : sprintf("<meta name=\"%s\" content=\"%s\">\n", $name, InlineHtml::escaped($value));
        }

        return sprintf(
            "<!doctype html>\n<html lang=\"%s\"%s>\n<head>\n<meta charset=\"utf-8\">\n<meta http-equiv=\"Content-Security-Policy\" content=\"default-src 'none'; img-src data:; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'\">\n<meta name=\"viewport\" content=\"width=device-width, initial-scale=1\">\n<title>%s</title>\n%s<style>%s</style>\n</head>\n<body>\n<main>\n",
            InlineHtml::escaped($block->language),
            // Left to right is what a page without a word of it runs.
            'rtl' === Language::direction($block->language) ? ' dir="rtl"' : '',
            InlineHtml::escaped($block->title),
            $meta,
            self::STYLE . $look,
        );
    }

    private static function heading(RenderedSection $section, InlineHtml $inline): string
    {
        if ($section->level->isOpening()) {
            return '';
        }
        $words = self::number($section->number) . $inline->of($section->heading);

        return self::element($section->level, self::attributes($section) . $inline->byHand($section->shape), $words) .
            "\n";
    }

    /** The name by which links lead to a heading, and what it says of numbers and contents. */
    public static function attributes(RenderedSection $section): string
    {
        $classes = HeadingFlags::classes($section->flags);

        return (null === $section->place ? '' : ' id="' . InlineHtml::escaped($section->place) . '"') .
            ('' === $classes ? '' : ' class="' . $classes . '"');
    }

    /** The number that we compute, marked so that no reader takes it for words. */
    public static function number(string $number): string
    {
        return '' === $number ? '' : '<span data-number>' . InlineHtml::escaped($number) . '</span> ';
    }

    /** HTML knows six levels; deeper ones are told by their role (WAI-ARIA 1.2). */
    public static function element(Level $level, string $attributes, string $words): string
    {
        return $level->value <= 6
            ? sprintf('<h%1$d%2$s>%3$s</h%1$d>', $level->value, $attributes, $words)
            : sprintf('<div role="heading" aria-level="%d"%s>%s</div>', $level->value, $attributes, $words);
    }
}
