<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Stemmata\Format\Formats;
use Stemmata\Format\Html\HtmlReader;
use Stemmata\Format\Html\HtmlWriter;
use Stemmata\Format\Markdown\MarkdownReader;
use Stemmata\Format\Markdown\MarkdownWriter;

/** The readers and writers, put together without the framework. */
final class Services
{
    public static function formats(): Formats
    {
        $html = new HtmlReader(new CountingIds());

        return new Formats(new MarkdownReader($html), $html, new MarkdownWriter(), new HtmlWriter());
    }
}
