<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

/** Pictures of a file as the document carries them: within itself, so that no other file is needed to show them. */
final class Pictures
{
    private const MAX_BYTES = 8 * 1024 * 1024;
    /** All pictures of a document together, before they are encoded. */
    private const MAX_IN_ALL = 96 * 1024 * 1024;

    private int $bytes = 0;

    public function __construct(private readonly DocumentBuilder $builder)
    {
    }

    /** @return string the picture as a data address; empty, with a note, when it cannot be kept */
    public function source(?string $bytes, string $name): string
    {
        if (null === $bytes || '' === $bytes) {
            $this->builder->note(ImportNote::PictureMissing, $name);

            return '';
        }
        if (strlen($bytes) > self::MAX_BYTES || $this->bytes + strlen($bytes) > self::MAX_IN_ALL) {
            $this->builder->note(ImportNote::PictureTooLarge, $name);

            return '';
        }
        $type = self::findType($bytes);
        if (null === $type) {
            $this->builder->note(ImportNote::PictureOfOtherKind, $name);

            return '';
        }
        $this->bytes += strlen($bytes);

        return 'data:image/'.$type.';base64,'.base64_encode($bytes);
    }

    /** By what the bytes are, not by what the name says. */
    private static function findType(string $bytes): ?string
    {
        return match (true) {
            str_starts_with($bytes, "\x89PNG\r\n\x1a\n") => 'png',
            str_starts_with($bytes, "\xFF\xD8\xFF") => 'jpeg',
            str_starts_with($bytes, 'GIF87a'), str_starts_with($bytes, 'GIF89a') => 'gif',
            str_starts_with($bytes, 'RIFF') && 'WEBP' === substr($bytes, 8, 4) => 'webp',
            1 === preg_match('/\A(?:\xEF\xBB\xBF)?\s*(?:<\?xml[^>]*>\s*)?(?:<!--.*?-->\s*)*(?:<!DOCTYPE[^>]*>\s*)?<svg[\s>]/s', substr($bytes, 0, 4096)) => 'svg+xml',
            default => null,
        };
    }
}
