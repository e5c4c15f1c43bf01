<?php

declare(strict_types=1);

namespace Stemmata\Storage\Document;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\MemoryShelf;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Picture;
use Stemmata\Disk\TemporaryFile;
use Stemmata\Storage\Database\Row;
use Stemmata\Storage\History\TitleBlockForm;
use Stemmata\Storage\Section\SectionForm;
use Stemmata\Storage\Section\SectionRows;

/**
 * A document made ready to be stored, its rows one after the other, so that however long it is only some of it is held.
 * It
 * may come from a file that another process wrote: a line of JSON for the document, one for each picture, then one
 * for each section.
 *
 * @phpstan-import-type SectionRow from SectionRows
 */
final readonly class StagedDocument
{
    /**
     * @param array<mixed>                   $about what else is to be said of it
     * @param \Closure(): iterable<SectionRow> $rows
     * @param \Closure(): iterable<Picture>    $pictures
     */
    private function __construct(
        public TitleBlock $titleBlock,
        public Outline $outline,
        public Setup $setup,
        public array $about,
        private \Closure $rows,
        private \Closure $pictures,
    ) {}

    /** @param array<mixed> $about */
    public static function of(Document $document, SectionRows $rows, array $about = []): self
    {
        return new self(
            $document->titleBlock,
            $document->outline,
            $document->setup,
            $about,
            static function () use ($document, $rows): iterable {
                foreach ($document->sections() as $section) {
                    yield $rows->row(null, $section);
                }
            },
            static fn(): array => array_values($document->pictures),
        );
    }

    /** @param \Closure(): iterable<SectionRow> $rows of sections whose pictures are kept already */
    public static function copied(TitleBlock $titleBlock, Outline $outline, Setup $setup, \Closure $rows): self
    {
        return new self($titleBlock, $outline, $setup, [], $rows, static fn(): array => []);
    }

    public static function open(string $path): self
    {
        $head = self::lines($path)->current();
        $row = new Row($head);
        $outline = $row->list('outline');
        $cells = new Row($outline);

        return new self(
            TitleBlockForm::read(new Row($row->list('titleBlock'))),
            Outline::packed($cells->text('ids'), $cells->text('levels'), $cells->text('flags')),
            Setup::fromJson($row->list('setup')),
            $row->list('about'),
            static function () use ($path): iterable {
                foreach (self::lines($path) as $number => $line) {
                    if ($number > 0 && !isset($line['picture'])) {
                        /** @var SectionRow $line as writeTo() wrote it */
                        yield $line;
                    }
                }
            },
            static function () use ($path): iterable {
                foreach (self::lines($path) as $line) {
                    if (is_string($line['picture'] ?? null) && is_string($line['bytes'] ?? null)) {
                        yield new Picture($line['picture'], (string) base64_decode($line['bytes'], true));
                    }
                }
            },
        );
    }

    public function writeTo(string $path): void
    {
        $file = TemporaryFile::opened($path);
        TemporaryFile::write(
            $file,
            SectionForm::json([
                'titleBlock' => TitleBlockForm::written($this->titleBlock),
                'outline' => get_object_vars($this->outline),
                'setup' => $this->setup->toJson(),
                'about' => $this->about,
            ]) . "\n",
        );
        foreach ($this->pictures() as $picture) {
            TemporaryFile::write(
                $file,
                SectionForm::json(['picture' => $picture->kind, 'bytes' => base64_encode($picture->bytes)]) . "\n",
            );
        }
        foreach ($this->rows() as $row) {
            TemporaryFile::write($file, SectionForm::json($row) . "\n");
        }
        fclose($file);
    }

    /** @return iterable<SectionRow> */
    public function rows(): iterable
    {
        return ($this->rows)();
    }

    /** @return iterable<Picture> that its texts show */
    public function pictures(): iterable
    {
        return ($this->pictures)();
    }

    /** The whole of it, for what has to look at all. */
    public function document(): Document
    {
        $sections = [];
        foreach ($this->rows() as $row) {
            $text = $row['text'] ?? throw new \LogicException('A new section has a text.');
            $sections[] = new Section(
                SectionId::fromString($row['id']),
                SectionForm::readHeading($text['heading'], $text['heading_inline']),
                SectionForm::readBody($text['body']),
            );
        }

        $pictures = [];
        foreach ($this->pictures() as $picture) {
            $pictures[$picture->hash] = $picture;
        }

        return Document::opened(
            $this->titleBlock,
            $this->outline,
            $this->setup,
            new MemoryShelf($sections),
        )->withPictures($pictures);
    }

    /** @return \Generator<int, array<mixed>> */
    private static function lines(string $path): \Generator
    {
        $file = self::opened($path);
        for ($number = 0; false !== ($line = fgets($file)); ++$number) {
            yield $number => (array) json_decode($line, true, flags: \JSON_THROW_ON_ERROR);
        }
        fclose($file);
    }

    /** @return resource */
    private static function opened(string $path)
    {
        return fopen($path, 'r') ?: throw new \RuntimeException(sprintf('“%s” cannot be opened.', basename($path)));
    }
}
