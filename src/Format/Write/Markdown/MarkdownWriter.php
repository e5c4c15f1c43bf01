<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Markdown;

use Stemmata\Core\Calculation\Effort;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\Anchors;
use Stemmata\Format\Read\Markdown\FrontMatter;
use Stemmata\Format\Read\Markdown\HeadingAttributes;
use Stemmata\Format\Shared\HeadingFlags;
use Stemmata\Format\Write\DocumentWriter;
use Stemmata\Format\Write\Html\BlockHtml;
use Stemmata\Format\Write\Html\HtmlWriter;
use Stemmata\Format\Write\Html\InlineHtml;

/** Writes CommonMark that a version-control system can compare, and that other programs' links and contents survive in. */
final class MarkdownWriter implements DocumentWriter
{
    public function endings(): array
    {
        return ['md', 'markdown'];
    }

    public function mediaType(): string
    {
        return 'text/markdown; charset=UTF-8';
    }

    public function write(Document $document): string
    {
        $anchors = Anchors::in($document);
        $inline = new InlineMarkdown($anchors);
        // Notes within what only HTML can say are gathered there.
        $html = new InlineHtml($anchors);
        $effort = new Effort();
        $blocks = new BlockMarkdown($inline, new BlockHtml($html, $anchors, $effort), $anchors, $effort);
        $numbers = self::areCountedAgain($document) ? [] : $document->numbers();
        $parts = [];
        foreach ($document->sections() as $position => $section) {
            $parts[] = self::heading($document, $position, $section, $numbers[$position] ?? '', $anchors, $inline, $html);
            $parts[] = $blocks->of($section->body->blocks);
        }
        $text = implode("\n\n", array_filter($parts, static fn (string $part): bool => '' !== $part));

        return FrontMatter::of($document->titleBlock).$text."\n".rtrim("\n".implode("\n\n", array_filter([rtrim($inline->notes()), $html->notes()])))."\n";
    }

    /** Plain numbers from 1 on are counted again by whoever reads the file; others, such as those of a later chapter by itself, would be lost if they were not written. */
    private static function areCountedAgain(Document $document): bool
    {
        return $document->setup->numbering->isDecimal() && (null === $document->whole || $document->numbers() === $document->withOutline($document->outline)->numbers());
    }

    private static function heading(Document $document, int $position, Section $section, string $number, Anchors $anchors, InlineMarkdown $inline, InlineHtml $html): string
    {
        $level = $document->outline->levelAt($position);
        if ($level->isOpening()) {
            return '';
        }
        $anchor = $anchors->find($section->id->value);
        $classes = HeadingFlags::classes($document->outline, $position);
        if ($level->value > 6 || HeadingAttributes::areAtTheEndOf($section->heading->plainText())) {
            $attributes = (null === $anchor ? '' : ' id="'.InlineHtml::escaped($anchor).'"').('' === $classes ? '' : ' class="'.$classes.'"');

            return HtmlWriter::element($level, $attributes, HtmlWriter::number($number).$html->of($section->heading->inline));
        }
        $name = null === $anchor && '' === $classes ? '' : sprintf(
            ' <a%s%s></a>',
            null === $anchor ? ' id="sec-'.($position + 1).'"' : ' id="'.InlineHtml::escaped($anchor).'"',
            '' === $classes ? '' : ' class="'.$classes.'"',
        );

        return rtrim(str_repeat('#', $level->value).' '.('' === $number ? '' : $inline->of([Node::text($number)]).' ').$inline->of($section->heading->inline).$name);
    }
}
