<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Disk\NoRoom;
use Stemmata\Disk\TemporaryFile;

/**
 * The file itself (ECMA-376-2): an archive of parts. Each lies on the disk until all are together, however large it is.
 */
final class Package
{
    /** So that the same document makes the same file; the archive knows no earlier day. */
    private const TIME = 315532800;

    private readonly \ZipArchive $archive;
    private readonly string $file;
    /** @var list<string> */
    private array $parts = [];

    public function __construct()
    {
        $this->file = TemporaryFile::path();
        $this->archive = new \ZipArchive();
        if (true !== $this->archive->open($this->file, \ZipArchive::CREATE | \ZipArchive::OVERWRITE)) {
            throw new NoRoom();
        }
    }

    /** @param iterable<string> $portions of the part */
    public function add(string $name, iterable $portions): void
    {
        $part = TemporaryFile::path();
        $this->parts[] = $part;
        $stream = TemporaryFile::opened($part);
        foreach ($portions as $portion) {
            TemporaryFile::write($stream, $portion);
        }
        fclose($stream);
        $this->archive->addFile($part, $name);
        $this->archive->setMtimeName($name, self::TIME);
    }

    /** @return iterable<string> the bytes of the archive */
    public function portions(): iterable
    {
        if (!$this->archive->close()) {
            throw new NoRoom();
        }
        $stream = fopen($this->file, 'r') ?: throw new \RuntimeException('The file went away while it was written.');
        try {
            while (!feof($stream)) {
                yield (string) fread($stream, 1 << 18);
            }
        } finally {
            fclose($stream);
        }
    }

    /** Whatever became of the writing, nothing of it stays on the disk. */
    public function __destruct()
    {
        array_map(static fn(string $file): bool => !is_file($file) || unlink($file), [...$this->parts, $this->file]);
    }
}
