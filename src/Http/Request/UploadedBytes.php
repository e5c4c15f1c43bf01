<?php

declare(strict_types=1);

namespace Stemmata\Http\Request;

use Stemmata\Format\Formats;
use Symfony\Component\HttpFoundation\Request;

/** A file sent as the body of a request, on the disk and not in memory. */
final class UploadedBytes
{
    private function __construct(private string $path, public readonly int $size) {}

    public static function of(Request $request): self
    {
        if ((int) $request->headers->get('Content-Length', '0') > Formats::MAX_BYTES) {
            throw ProblemException::tooLarge(Formats::MAX_BYTES);
        }

        return self::copied($request->getContent(true));
    }

    public static function ofText(string $text): self
    {
        $stream = fopen('php://temp', 'r+') ?: throw new \RuntimeException('There is no room for a file.');
        fwrite($stream, $text);
        rewind($stream);

        return self::copied($stream);
    }

    public function __destruct()
    {
        if (is_file($this->path)) {
            unlink($this->path);
        }
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
        $path = tempnam(sys_get_temp_dir(), 'stemmata') ?: throw new \RuntimeException('There is no room for a file.');
        $file = fopen($path, 'w') ?: throw new \RuntimeException('There is no room for a file.');
        // What a request says of its length may be a lie.
        $size = (int) stream_copy_to_stream($stream, $file, Formats::MAX_BYTES + 1);
        fclose($file);
        $uploaded = new self($path, $size);

        return $size > Formats::MAX_BYTES ? throw ProblemException::tooLarge(Formats::MAX_BYTES) : $uploaded;
    }
}
