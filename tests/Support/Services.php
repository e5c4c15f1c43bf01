<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Stemmata\Format\Formats;
use Stemmata\Format\Read\Docx\DocxReader;
use Stemmata\Format\Read\Epub\EpubReader;
use Stemmata\Format\Read\Html\HtmlReader;
use Stemmata\Format\Read\Markdown\MarkdownReader;
use Stemmata\Format\Read\Odt\OdtReader;
use Stemmata\Format\Read\Opml\OpmlReader;
use Stemmata\Format\Read\ReportKind;
use Stemmata\Format\Read\ReportLine;
use Stemmata\Format\Read\Text\TextReader;
use Stemmata\Format\Write\Docx\DocxWriter;
use Stemmata\Format\Write\Html\HtmlWriter;
use Stemmata\Format\Write\Markdown\MarkdownWriter;

/** The readers and writers, put together without the framework. */
final class Services
{
    /** What a file became, as Markdown without its front matter. */
    public static function asMarkdown(string $name, string $bytes): string
    {
        $formats = self::formats();

        return trim(
            (string) preg_replace(
                '/^---\n.*?\n---\n/s',
                '',
                $formats->written('md', $formats->read($name, $bytes)->document),
            ),
        );
    }

    /** @return list<string> what is said of a file, beside what it kept */
    public static function importNotes(string $name, string $bytes): array
    {
        $notes = array_filter(
            self::formats()->read($name, $bytes)->report->lines,
            static fn(ReportLine $line): bool => ReportKind::Kept !== $line->kind,
        );

        return array_values(array_map(static fn(ReportLine $line): string => $line->sentence, $notes));
    }

    public static function formats(): Formats
    {
        $ids = new CountingIds();
        $html = new HtmlReader($ids);

        $markdown = new MarkdownReader($html);

        return new Formats(
            [
                $markdown,
                $html,
                new DocxReader($ids),
                new OdtReader($ids),
                new EpubReader($ids),
                new OpmlReader($ids),
                new TextReader($ids),
            ],
            [new MarkdownWriter(), new HtmlWriter(), new DocxWriter()],
        );
    }
}
