<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

/** Tells what a file is from its bytes, whatever its name says. */
final class FileKind
{
    private const ZIP = "PK\x03\x04";
    /**
     * The container of older office programs, and of newer ones' files that are protected by a password ([MS-CFB] 2.2).
     */
    private const COMPOUND = "\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1";

    /**
     * The ending that its kind bears; null for plain text of any kind, which only the name tells apart.
     *
     * @throws FormatException for kinds that are known and cannot be read
     */
    public static function findEnding(string $bytes): ?string
    {
        if (str_starts_with($bytes, self::COMPOUND)) {
            throw FormatException::isOlderKind();
        }
        if (str_starts_with($bytes, '%PDF-')) {
            throw FormatException::isPdf();
        }
        if (!str_starts_with($bytes, self::ZIP)) {
            return null;
        }
        // Both ODF (OASIS ODF 1.3 part 2, 3.3) and EPUB (OCF 3.2, 4.3) begin with an unpacked part that names the kind.
        $head = substr($bytes, 0, 200);

        return match (true) {
            str_contains($head, 'mimetypeapplication/epub+zip') => 'epub',
            str_contains($head, 'mimetypeapplication/vnd.oasis.opendocument.text') => 'odt',
            default => self::endingByParts($bytes),
        };
    }

    /** Names of parts stand in plain letters, in the table at the end of the archive. */
    private static function endingByParts(string $bytes): string
    {
        return match (true) {
            str_contains($bytes, 'word/document') => 'docx',
            str_contains($bytes, 'META-INF/container.xml') => 'epub',
            str_contains($bytes, 'content.xml') && str_contains($bytes, 'META-INF/manifest.xml') => 'odt',
            str_contains($bytes, '[Content_Types].xml') => 'docx',
            default => throw FormatException::unknownArchive(),
        };
    }
}
