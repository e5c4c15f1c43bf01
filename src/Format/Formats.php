<?php

declare(strict_types=1);

namespace Stemmata\Format;

use Stemmata\Core\Document;
use Stemmata\Core\TitleBlock;
use Stemmata\Format\Html\HtmlReader;
use Stemmata\Format\Html\HtmlWriter;
use Stemmata\Format\Markdown\MarkdownReader;
use Stemmata\Format\Markdown\MarkdownWriter;

/** The formats there are, found by a file's ending. */
final readonly class Formats
{
    /** Ten times the text of a million words. */
    public const MAX_BYTES = 64 * 1024 * 1024;

    /** @var list<DocumentReader> */
    private array $readers;
    /** @var list<DocumentWriter> */
    private array $writers;

    public function __construct(MarkdownReader $markdownReader, HtmlReader $htmlReader, MarkdownWriter $markdownWriter, HtmlWriter $htmlWriter)
    {
        $this->readers = [$markdownReader, $htmlReader];
        $this->writers = [$markdownWriter, $htmlWriter];
    }

    /**
     * A document without a title of its own is known by the file’s name.
     *
     * @throws FormatException
     */
    public function read(string $name, string $bytes): ReadResult
    {
        $read = $this->readAsIs($name, $bytes);
        if ('' !== trim($read->document->titleBlock->title)) {
            return $read;
        }
        $title = mb_substr(trim(str_replace('_', ' ', pathinfo(mb_scrub($name), \PATHINFO_FILENAME))), 0, 200);

        return new ReadResult($read->document->withTitleBlock(self::titled($read->document, $title)), $read->warnings);
    }

    /** @throws FormatException */
    public function readAsIs(string $name, string $bytes): ReadResult
    {
        $reader = $this->readerFor($name);
        if (strlen($bytes) > self::MAX_BYTES) {
            throw FormatException::tooLarge(self::MAX_BYTES);
        }
        if ('' === $bytes) {
            throw FormatException::isEmpty();
        }

        return $reader->read($bytes);
    }

    /** @throws FormatException */
    public function writerFor(string $ending): DocumentWriter
    {
        foreach ($this->writers as $writer) {
            if (in_array(strtolower($ending), $writer->endings(), true)) {
                return $writer;
            }
        }

        throw FormatException::cannotWrite($ending, array_merge(...array_map(static fn (DocumentWriter $each): array => $each->endings(), $this->writers)));
    }

    private function readerFor(string $name): DocumentReader
    {
        $ending = strtolower(pathinfo($name, \PATHINFO_EXTENSION));
        foreach ($this->readers as $reader) {
            if (in_array($ending, $reader->endings(), true)) {
                return $reader;
            }
        }

        throw FormatException::unknownEnding($name, array_merge(...array_map(static fn (DocumentReader $each): array => $each->endings(), $this->readers)));
    }

    private static function titled(Document $document, string $title): TitleBlock
    {
        $block = $document->titleBlock;

        return new TitleBlock($title, $block->subtitle, $block->author, $block->guidingStatement, $block->target, $block->language);
    }
}
