<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Stemmata\Format\Docx\DocxReader;
use Stemmata\Format\Epub\EpubReader;
use Stemmata\Format\Formats;
use Stemmata\Format\Html\HtmlReader;
use Stemmata\Format\Html\HtmlWriter;
use Stemmata\Format\Markdown\MarkdownReader;
use Stemmata\Format\Markdown\MarkdownWriter;
use Stemmata\Format\Odt\OdtReader;
use Stemmata\Format\Opml\OpmlReader;
use Stemmata\Format\Text\TextReader;

/** The readers and writers, put together without the framework. */
final class Services
{
    public static function formats(): Formats
    {
        $ids = new CountingIds();
        $html = new HtmlReader($ids);

        $markdown = new MarkdownReader($html);

        return new Formats([$markdown, $html, new DocxReader($ids), new OdtReader($ids), new EpubReader($ids), new OpmlReader($ids, $markdown), new TextReader($ids)], [new MarkdownWriter(), new HtmlWriter()]);
    }
}
