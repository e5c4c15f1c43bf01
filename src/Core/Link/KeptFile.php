<?php

declare(strict_types=1);

namespace Stemmata\Core\Link;

/** A file that is kept with the document, as a link names it: `kept:HASH/name.pdf`. It is only ever downloaded. */
final readonly class KeptFile
{
    public const MAX_BYTES = 32 * 1024 * 1024;
    /** Of names; what a computer would run is not among them. */
    public const ENDINGS = [
        'bib',
        'csv',
        'docx',
        'epub',
        'flac',
        'gif',
        'jpeg',
        'jpg',
        'json',
        'md',
        'mp3',
        'mp4',
        'odp',
        'ods',
        'odt',
        'ogg',
        'opml',
        'pdf',
        'png',
        'pptx',
        'ris',
        'rtf',
        'svg',
        'tex',
        'tsv',
        'txt',
        'wav',
        'webm',
        'webp',
        'xlsx',
        'xml',
        'zip',
    ];
    /** The hash, and the name with percent signs for all but letters and digits of ASCII (RFC 3986, 2.1). */
    public const PATTERN = 'kept:([0-9a-f]{64})/((?:[A-Za-z0-9._~-]|%[0-9A-F]{2}){1,300})';

    private function __construct(public string $hash, public string $name) {}

    public static function of(string $name, string $bytes): self
    {
        return new self(hash('sha256', "file\n" . $bytes), $name);
    }

    public static function findIn(string $target): ?self
    {
        return 1 === preg_match('#\A' . self::PATTERN . '\z#', $target, $match)
            ? new self($match[1], rawurldecode($match[2]))
            : null;
    }

    public static function isNameAllowed(string $name): bool
    {
        return mb_check_encoding($name, 'UTF-8') &&
            1 === preg_match('~\A[^/\\\\\x00-\x1F]{1,95}\z~u', $name) &&
            in_array(strtolower(pathinfo($name, \PATHINFO_EXTENSION)), self::ENDINGS, true);
    }

    public function address(): string
    {
        return 'kept:' . $this->hash . '/' . rawurlencode($this->name);
    }
}
