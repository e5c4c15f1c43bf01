<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Markdown;

use League\CommonMark\Environment\Environment;
use League\CommonMark\Event\DocumentParsedEvent;
use League\CommonMark\Exception\CommonMarkException;
use League\CommonMark\Extension\CommonMark\CommonMarkCoreExtension;
use League\CommonMark\Extension\Footnote\FootnoteExtension;
use League\CommonMark\Extension\Strikethrough\StrikethroughExtension;
use League\CommonMark\Extension\Table\TableExtension;
use League\CommonMark\MarkdownConverter;
use Stemmata\Format\Read\DocumentReader;
use Stemmata\Format\Read\Html\HtmlReader;
use Stemmata\Format\Read\ReadResult;
use Stemmata\Format\Read\TextBytes;
use Stemmata\Format\Shared\FrontMatter;
use Stemmata\Format\Shared\HeadingAttributes;

/**
 * Reads CommonMark with tables and footnotes, by way of the HTML that CommonMark defines for it: raw HTML in the text
 * is
 * then read and cleaned by the same rules.
 */
final readonly class MarkdownReader implements DocumentReader
{
    /** Beyond this, quotation and list marks are read as text (a line of 10,000 “>” is no quotation). */
    private const MAX_NESTING = 40;
    /** Bytes. */
    private const LARGE = 1_000_000;

    private Environment $environment;

    public function __construct(private HtmlReader $html)
    {
        $environment = new Environment([
            'html_input' => 'allow',
            'allow_unsafe_links' => true,
            'max_nesting_level' => self::MAX_NESTING,
            'max_delimiters_per_line' => 1000,
        ]);
        $environment->addExtension(new CommonMarkCoreExtension());
        $environment->addExtension(new TableExtension());
        $environment->addExtension(new FootnoteExtension());
        $environment->addExtension(new StrikethroughExtension());
        $environment->addInlineParser(new DollarFormula(), 150);
        $environment->addBlockStartParser(new DollarBlockStart(), 150);
        $environment->addBlockStartParser(new NoteStart(), 150);
        $spare = new NotesOfNothing();
        $environment->addEventListener(
            DocumentParsedEvent::class,
            $spare->setAside(...),
            NotesOfNothing::BEFORE_THE_LIBRARY,
        );
        $environment->addEventListener(
            DocumentParsedEvent::class,
            $spare->putBack(...),
            NotesOfNothing::AFTER_THE_LIBRARY,
        );
        $environment->addEventListener(DocumentParsedEvent::class, HeadingAttributes::taken(...));
        $this->environment = $environment;
    }

    public function endings(): array
    {
        return ['md', 'markdown'];
    }

    public function maxBytes(): int
    {
        return 12 * 1024 * 1024;
    }

    public function read(string $bytes): ReadResult
    {
        $front = FrontMatter::takenOff(TextBytes::utf8($bytes));

        return $this->html->readMarkup(
            $this->toHtml($front->text),
            $front->titleBlock,
            titlePage: [] === $front->more ? '' : $this->toHtml(implode("\n\n", $front->more)),
        );
    }

    public function toHtml(string $markdown): string
    {
        try {
            $html = $this->converted($markdown);
        } catch (CommonMarkException) {
            // The library stumbles over references to half a character within addresses; the standard has them replaced
            // (2.5).
            $html = $this->converted(
                (string) preg_replace(
                    '/&#(?:x0*d[89a-f][0-9a-f]{2}|0*(?:5529[6-9]|55[3-9]\d\d|5[67]\d{3}));/i',
                    '&#xFFFD;',
                    $markdown,
                ),
            );
        }

        return (string) preg_replace('/\xED[\xA0-\xBF][\x80-\xBF]/', "\u{FFFD}", $html);
    }

    private function converted(string $markdown): string
    {
        // A converter holds on to the tree of what it read last: each text has one of its own, and the tree, which is
        // ten times the text, goes back before the page is gone through.
        $html = (new MarkdownConverter($this->environment))->convert($markdown)->getContent();
        if (strlen($markdown) > self::LARGE) {
            gc_collect_cycles();
            gc_mem_caches();
        }

        return $html;
    }
}
