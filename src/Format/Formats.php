<?php

declare(strict_types=1);

namespace Stemmata\Format;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Rendition\RenditionOptions;
use Stemmata\Format\Read\DocumentReader;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\ReadResult;
use Stemmata\Format\Shared\FileKind;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Format\Write\DocumentWriter;

/** The formats there are. A file is known by what it is; its ending decides where that leaves a choice. */
final readonly class Formats
{
    /** No file of any kind is larger; each kind has a limit of its own. */
    public const MAX_BYTES = 64 * 1024 * 1024;

    /** @var list<DocumentReader> */
    private array $readers;
    /** @var list<DocumentWriter> */
    private array $writers;

    /**
     * @param iterable<DocumentReader> $readers
     * @param iterable<DocumentWriter> $writers
     */
    public function __construct(iterable $readers, iterable $writers)
    {
        $this->readers = array_values([...$readers]);
        $this->writers = array_values([...$writers]);
    }

    /** @return list<string> endings of the files that can be read */
    public function readableEndings(): array
    {
        return array_merge(...array_map(static fn(DocumentReader $each): array => $each->endings(), $this->readers));
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
        $title = mb_substr(self::spoken(pathinfo(mb_scrub($name), \PATHINFO_FILENAME)), 0, 200);

        return $read->withDocument($read->document->withTitleBlock($read->document->titleBlock->withTitle($title)));
    }

    /** @throws FormatException */
    public function readAsIs(string $name, string $bytes): ReadResult
    {
        $ending = strtolower(pathinfo($name, \PATHINFO_EXTENSION));
        $named = $this->findReader($ending);
        if (null === $named) {
            throw FormatException::unknownEnding($name, $this->readableEndings());
        }
        if ('' === $bytes) {
            throw FormatException::isEmpty();
        }
        $actual = FileKind::findEnding($bytes);
        $reader = null === $actual ? $named : $this->findReader($actual) ?? $named;

        if (strlen($bytes) > $reader->maxBytes()) {
            throw FormatException::tooLarge($reader->maxBytes());
        }

        return $reader === $named ? $reader->read($bytes) : $reader->read($bytes)->withNote(ImportNote::FormatGuessed);
    }

    /** @throws FormatException */
    public function writerFor(string $ending): DocumentWriter
    {
        foreach ($this->writers as $writer) {
            if (in_array(strtolower($ending), $writer->endings(), true)) {
                return $writer;
            }
        }
        throw FormatException::cannotWrite(
            $ending,
            array_merge(...array_map(static fn(DocumentWriter $each): array => $each->endings(), $this->writers)),
        );
    }

    /**
     * @param string $ending of a file name, without the full stop
     *
     * @return string the whole file
     *
     * @throws FormatException
     */
    public function written(
        string $ending,
        Document $document,
        RenditionOptions $options = new RenditionOptions(),
    ): string {
        return implode(
            '',
            iterator_to_array($this->writerFor($ending)->write(Rendition::of($document, $options)), false),
        );
    }

    private function findReader(string $ending): ?DocumentReader
    {
        foreach ($this->readers as $reader) {
            if (in_array($ending, $reader->endings(), true)) {
                return $reader;
            }
        }

        return null;
    }

    /** “notes-on-the-lamp” is how a file is named; “Notes on the lamp” is how one says it. */
    private static function spoken(string $name): string
    {
        $words = trim(
            (string) preg_replace(
                '/\s+/u',
                ' ',
                str_contains($name, ' ') ? strtr($name, '_', ' ') : strtr($name, '_-', '  '),
            ),
        );

        return mb_strtoupper(mb_substr($words, 0, 1)) . mb_substr($words, 1);
    }
}
