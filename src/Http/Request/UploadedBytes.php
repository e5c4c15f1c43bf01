<?php

declare(strict_types=1);

namespace Stemmata\Http\Request;

use Stemmata\Disk\NoRoom;
use Stemmata\Disk\TemporaryFile;
use Stemmata\Format\Formats;
use Symfony\Component\HttpFoundation\Request;

/** A file sent as the body of a request, on the disk and not in memory. */
final class UploadedBytes
{
    private int $size = 0;

    private function __construct(private string $path) {}

    /** @throws NoRoom when not all of it could be kept */
    public static function of(Request $request): self
    {
        $said = $request->headers->get('Content-Length');
        if ((int) $said > Formats::MAX_BYTES) {
            throw ProblemException::tooLarge(Formats::MAX_BYTES);
        }
        $uploaded = self::copied($request->getContent(true));

        // Where the web server or PHP has no room for it, less comes than was sent.
        return null !== $said && (int) $said !== $uploaded->size ? throw new NoRoom() : $uploaded;
    }

    public static function ofText(string $text): self
    {
        $stream = TemporaryFile::inMemory();
        TemporaryFile::write($stream, $text);
        rewind($stream);

        return self::copied($stream);
    }

    public function __destruct()
    {
        if (is_file($this->path)) {
            unlink($this->path);
        }
    }

    public function size(): int
    {
        return $this->size;
    }

    public function bytes(): string
    {
        return (string) file_get_contents($this->path);
    }

    public function moveTo(string $path): void
    {
        rename($this->path, $path);
        $this->path = $path;
    }

    /** @param resource $stream */
    private static function copied($stream): self
    {
        $path = TemporaryFile::path();
        $file = TemporaryFile::opened($path);
        $uploaded = new self($path);
        while (!feof($stream) && $uploaded->size <= Formats::MAX_BYTES) {
            $portion = (string) fread($stream, 1 << 18);
            TemporaryFile::write($file, $portion);
            $uploaded->size += strlen($portion);
        }
        fclose($file);

        // What a request says of its length may be a lie.
        return $uploaded->size > Formats::MAX_BYTES ? throw ProblemException::tooLarge(Formats::MAX_BYTES) : $uploaded;
    }
}
