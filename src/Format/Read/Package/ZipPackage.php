<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Package;

use Stemmata\Disk\TemporaryFile;
use Stemmata\Format\Shared\FormatException;

/**
 * A file that is an archive of parts. Nothing is ever unpacked to where an entry's name says; a part is read by its
 * name,
 * and only as far as the limits go.
 */
final class ZipPackage
{
    /** All parts together, unpacked: a million words with their pictures take less than half of it. */
    private const MAX_UNPACKED = 400 * 1024 * 1024;
    /** One part: the text of some three million words. */
    private const MAX_PART = 80 * 1024 * 1024;
    private const MAX_ENTRIES = 20_000;

    private int $unpacked = 0;
    /** @var list<string> temporary files, removed with the package */
    private array $files = [];

    private function __construct(private readonly \ZipArchive $archive, string $file)
    {
        $this->files[] = $file;
    }

    /** @throws FormatException */
    public static function open(string $bytes): self
    {
        $file = TemporaryFile::path();
        $written = TemporaryFile::opened($file);
        TemporaryFile::write($written, $bytes);
        fclose($written);
        $archive = new \ZipArchive();
        if (true !== $archive->open($file, \ZipArchive::RDONLY)) {
            @unlink($file);
            throw FormatException::damagedArchive();
        }
        $package = new self($archive, $file);
        $package->refuseBombs();

        return $package;
    }

    public function __destruct()
    {
        $this->archive->close();
        foreach ($this->files as $file) {
            @unlink($file);
        }
    }

    public function has(string $name): bool
    {
        return false !== $this->archive->locateName($name);
    }

    /**
     * The bytes of a part.
     *
     * @return string|null null when there is no such part
     *
     * @throws FormatException
     */
    public function find(string $name): ?string
    {
        $bytes = '';
        $found = $this->unpack($name, static function (string $chunk) use (&$bytes): void {
            $bytes .= $chunk;
        });

        return $found ? $bytes : null;
    }

    /**
     * A part in XML as a file to be read piece by piece; it goes with the package.
     *
     * @throws FormatException
     */
    public function fileOf(string $name): string
    {
        $path = TemporaryFile::path();
        $this->files[] = $path;
        $file = TemporaryFile::opened($path);
        $signs = new XmlSigns();
        $found = $this->unpack($name, static function (string $chunk) use ($file, $signs): void {
            TemporaryFile::write($file, $signs->take($chunk));
        });
        TemporaryFile::write($file, $signs->end());
        fclose($file);

        return $found ? $path : throw FormatException::missingPart($name);
    }

    private function refuseBombs(): void
    {
        if ($this->archive->numFiles > self::MAX_ENTRIES) {
            throw FormatException::tooMuchUnpacked(self::MAX_UNPACKED);
        }
        $size = 0;
        for ($index = 0; $index < $this->archive->numFiles; ++$index) {
            $entry = $this->archive->statIndex($index);
            if (false === $entry) {
                throw FormatException::damagedArchive();
            }
            if (\ZipArchive::EM_NONE !== $entry['encryption_method']) {
                throw FormatException::isEncrypted();
            }
            $size += $entry['size'];
        }
        if ($size > self::MAX_UNPACKED) {
            throw FormatException::tooMuchUnpacked(self::MAX_UNPACKED);
        }
    }

    /** @param \Closure(string): void $take */
    private function unpack(string $name, \Closure $take): bool
    {
        // A package may name a part and then leave the name empty.
        $stream = '' === $name ? false : $this->archive->getStream($name);
        if (false === $stream) {
            return false;
        }
        $taken = 0;
        $sum = hash_init('crc32b');
        while (!feof($stream)) {
            // What an archive says of its sizes may be a lie, so what comes out is counted.
            $chunk = @fread($stream, 1 << 16);
            if (false === $chunk) {
                throw FormatException::damagedArchive();
            }
            $taken += strlen($chunk);
            hash_update($sum, $chunk);
            $this->unpacked += strlen($chunk);
            if ($taken > self::MAX_PART || $this->unpacked > self::MAX_UNPACKED) {
                throw FormatException::tooMuchUnpacked($taken > self::MAX_PART ? self::MAX_PART : self::MAX_UNPACKED);
            }
            $take($chunk);
        }
        fclose($stream);
        $entry = $this->archive->statName($name);
        if (false !== $entry && ($taken !== $entry['size'] || sprintf('%08x', $entry['crc']) !== hash_final($sum))) {
            throw FormatException::damagedArchive();
        }

        return true;
    }
}
