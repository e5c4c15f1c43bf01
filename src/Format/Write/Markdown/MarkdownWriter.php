<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Markdown;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Rendition\RenderedSection;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Shared\FrontMatter;
use Stemmata\Format\Shared\HeadingAttributes;
use Stemmata\Format\Shared\HeadingFlags;
use Stemmata\Format\Write\DocumentWriter;
use Stemmata\Format\Write\Html\BlockHtml;
use Stemmata\Format\Write\Html\HtmlWriter;
use Stemmata\Format\Write\Html\InlineHtml;

/**
 * Writes CommonMark that a version-control system can compare, and that other programs' links and contents survive in.
 */
final class MarkdownWriter implements DocumentWriter
{
    public function endings(): array
    {
        return ['md', 'markdown'];
    }

    public function passesOver(Document $document): array
    {
        $isByHand = static fn(References $each): bool => $each->byHand > 0;

        return [
            ...null === $document->setup->sheet && !$document->setup->pages()->saysRunningLines()
                ? []
                : [
                    'Markdown says what kind each text is of, but not how it looks: the style sheet is not in it, nor are headers and footers.',
                ],
            ...[] === array_filter($document->references(), $isByHand)
                ? []
                : ['Markdown does not say what is shaped by hand: the words are there, without that look.'],
        ];
    }

    public function mediaType(): string
    {
        return 'text/markdown; charset=UTF-8';
    }

    public function write(Rendition $rendition): iterable
    {
        $inline = new InlineMarkdown($rendition);
        // Notes within what only HTML can say are gathered there.
        $html = new InlineHtml($rendition);
        $blocks = new BlockMarkdown($inline, new BlockHtml($html, $rendition), $rendition);
        $hasNumbers = !self::areCountedAgain($rendition);
        yield FrontMatter::of($rendition->titleBlock());
        $between = '';
        foreach ($rendition->sections() as $section) {
            foreach (
                [
                    self::heading($section, $hasNumbers ? $section->number : '', $inline, $html),
                    $blocks->of($section->blocks),
                ]
                as $part
            ) {
                if ('' !== $part) {
                    yield $between . $part;
                    $between = "\n\n";
                }
            }
        }
        yield "\n" . rtrim("\n" . implode("\n\n", array_filter([rtrim($inline->notes()), $html->notes()]))) . "\n";
    }

    /**
     * Plain numbers from 1 on are counted again by whoever reads the file; others, such as those of a later chapter by
     * itself, would be lost if they were not written.
     */
    private static function areCountedAgain(Rendition $rendition): bool
    {
        return $rendition->document->setup->numbering->isDecimal() && $rendition->countsFromOne();
    }

    private static function heading(
        RenderedSection $section,
        string $number,
        InlineMarkdown $inline,
        InlineHtml $html,
    ): string {
        if ($section->level->isOpening()) {
            return '';
        }
        if ($section->level->value > 6 || HeadingAttributes::areAtTheEndOf(Node::plainTextOf($section->heading))) {
            return HtmlWriter::element(
                $section->level,
                HtmlWriter::attributes($section),
                HtmlWriter::number($number) . $html->of($section->heading),
            );
        }
        $classes = HeadingFlags::classes($section->flags);
        $name =
            null === $section->place && '' === $classes
                ? ''
                : sprintf(
                    ' <a%s%s></a>',
                    null === $section->place
                        ? ' id="sec-' . ($section->position + 1) . '"'
                        : ' id="' . InlineHtml::escaped($section->place) . '"',
                    '' === $classes ? '' : ' class="' . $classes . '"',
                );

        return rtrim(
            str_repeat('#', $section->level->value) .
                ' ' .
                ('' === $number ? '' : $inline->of([Node::text($number)]) . ' ') .
                $inline->of($section->heading) .
                $name,
        );
    }
}
