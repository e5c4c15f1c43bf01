<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

/** A file that cannot be read or written, said in one sentence. */
final class FormatException extends \RuntimeException
{
    /** @param list<string> $endings */
    public static function unknownEnding(string $name, array $endings): self
    {
        return new self(
            sprintf(
                '“%s” is not in a format that Stemmata reads; it reads files that end in %s.',
                self::shown($name),
                self::listed($endings),
            ),
        );
    }

    /** @param list<string> $endings */
    public static function cannotWrite(string $ending, array $endings): self
    {
        return new self(
            sprintf('Stemmata does not write “%s”; it writes %s.', self::shown($ending), self::listed($endings)),
        );
    }

    public static function isEmpty(): self
    {
        return new self('The file is empty.');
    }

    public static function tooLarge(int $bytes): self
    {
        return new self(
            sprintf(
                'The file is larger than %d megabytes, the most that can be read of its kind at once.',
                intdiv($bytes, 1024 * 1024),
            ),
        );
    }

    public static function notText(): self
    {
        return new self('The file is not text; it may be of another kind than its name says.');
    }

    public static function notUtf8(int $line): self
    {
        return new self(
            sprintf(
                'The file is not in UTF-8: line %d holds bytes that mean nothing. Save it as UTF-8 and try again.',
                $line,
            ),
        );
    }

    public static function missing(string $name): self
    {
        return new self(sprintf('There is no file “%s” to read.', self::shown($name)));
    }

    public static function notWritable(string $name): self
    {
        return new self(sprintf('The file “%s” cannot be written.', self::shown($name)));
    }

    public static function tooManySections(int $limit): self
    {
        return new self(
            sprintf('The file has more than %s headings, the most that one document can hold.', number_format($limit)),
        );
    }

    public static function damagedArchive(): self
    {
        return new self('The file is damaged or cut off: its parts cannot be unpacked.');
    }

    public static function damagedMarkup(): self
    {
        return new self('The file is damaged: its text cannot be made out.');
    }

    /** What a process that read the file said of it. */
    public static function said(string $sentence): self
    {
        return new self($sentence);
    }

    public static function tooHard(): self
    {
        return new self(
            'The file takes more time or memory to read than one file may; split it, and import the parts.',
        );
    }

    public static function missingPart(string $name): self
    {
        return new self(sprintf('The file is not complete: its part “%s” is missing.', self::shown($name)));
    }

    public static function isEncrypted(): self
    {
        return new self('The file is protected by a password; save it without one and try again.');
    }

    public static function isOlderKind(): self
    {
        return new self(
            'The file is protected by a password or of an older kind; save it as .docx or .odt without a password and try again.',
        );
    }

    public static function isPdf(): self
    {
        return new self('The file is a PDF, which holds pages and not a text; import the file that it was made from.');
    }

    public static function unknownArchive(): self
    {
        return new self('The file is an archive that holds no text that Stemmata reads.');
    }

    public static function tooMuchUnpacked(int $bytes): self
    {
        return new self(
            sprintf(
                'The file unpacks to more than %d megabytes, the most that can be read at once.',
                intdiv($bytes, 1024 * 1024),
            ),
        );
    }

    private static function shown(string $value): string
    {
        return mb_strcut(mb_scrub(basename($value)), 0, 60);
    }

    /** @param list<string> $endings */
    private static function listed(array $endings): string
    {
        return implode(', ', array_map(static fn(string $ending): string => '.' . $ending, $endings));
    }
}
