<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

use Stemmata\Core\Link\LinkTarget;

/**
 * A picture's bytes and what kind of picture they are. A text holds only its address, `picture:HASH`; the bytes are
 * kept
 * once, however many texts and earlier states of them show it.
 */
final readonly class Picture
{
    public const MAX_BYTES = 8 * 1024 * 1024;
    /** A picture of more dots is more than browsers can hold, however few bytes it is packed into. */
    public const MAX_DOTS = 60_000_000;

    private const ADDRESS = '/\Apicture:([0-9a-f]{64})\z/';
    /** Subtypes of image/ that every browser shows. */
    public const KINDS = ['png', 'jpeg', 'gif', 'webp', 'svg+xml'];
    private const DATA_ADDRESS = '~\Adata:image/(png|jpeg|gif|webp|svg\+xml);base64,';

    /** Of the kind and the bytes, in hexadecimal: the same bytes called another kind are another picture. */
    public string $hash;

    /** @param string $kind the subtype of image/ in the media type, such as “png” or “svg+xml” */
    public function __construct(public string $kind, public string $bytes)
    {
        $this->hash = hash('sha256', $kind . "\n" . $bytes);
    }

    /** Whether it is told what a picture in a text shows, or that it is mere decoration. */
    public static function isDescribed(Node $image): bool
    {
        return true === $image->attribute('decorative') || '' !== trim($image->textAttribute('alt'));
    }

    /** Known by what the bytes are, not by what a name says; null when they are no picture that a text may show. */
    public static function findIn(string $bytes): ?self
    {
        $kind = match (true) {
            str_starts_with($bytes, "\x89PNG\r\n\x1a\n") => 'png',
            str_starts_with($bytes, "\xFF\xD8\xFF") => 'jpeg',
            str_starts_with($bytes, 'GIF87a'), str_starts_with($bytes, 'GIF89a') => 'gif',
            str_starts_with($bytes, 'RIFF') && 'WEBP' === substr($bytes, 8, 4) => 'webp',
            1 ===
                preg_match(
                    '/\A(?:\xEF\xBB\xBF)?\s*(?:<\?xml[^>]*>\s*)?(?:<!--.*?-->\s*)*(?:<!DOCTYPE[^>]*>\s*)?<svg[\s>]/s',
                    substr($bytes, 0, 4096),
                )
                => 'svg+xml',
            default => null,
        };

        return null === $kind ? null : new self($kind, $bytes);
    }

    /**
     * Null for an address that does not hold the picture itself, or not in the one form of RFC 2397 that could be
     * written again to the letter.
     */
    public static function findInDataAddress(string $address): ?self
    {
        if (1 !== preg_match(self::DATA_ADDRESS . '~', $address, $match)) {
            return null;
        }
        $picture = new self($match[1], (string) base64_decode(substr($address, strlen($match[0])), true));

        return '' !== $picture->bytes && $picture->dataAddress() === $address ? $picture : null;
    }

    /** The hash in an address of the form `picture:HASH`; null for any other. */
    public static function findHash(string $address): ?string
    {
        return 1 === preg_match(self::ADDRESS, $address, $match) ? $match[1] : null;
    }

    /** What may stand for a picture in a text: one that is kept, one within its address, one elsewhere, or none yet. */
    public static function isAddress(string $address): bool
    {
        return '' === $address ||
            null !== self::findHash($address) ||
            (1 === preg_match(self::DATA_ADDRESS . '[A-Za-z0-9+/=]*+\z~', $address) && !self::isTooLarge($address)) ||
            (!str_starts_with(strtolower(ltrim($address)), 'data:') && LinkTarget::isValid($address));
    }

    /** Whether the picture within this address has more dots than one may have. */
    public static function isTooLarge(string $address): bool
    {
        return (self::findInDataAddress($address)?->countDots() ?? 0) > self::MAX_DOTS;
    }

    /** How a text names it. */
    public function address(): string
    {
        return 'picture:' . $this->hash;
    }

    /** The picture within its address (RFC 2397), for files that stand alone. */
    public function dataAddress(): string
    {
        return 'data:' . $this->mediaType() . ';base64,' . base64_encode($this->bytes);
    }

    /** Width by height; 0 for a drawing, which has no dots. */
    public function countDots(): int
    {
        $size = @getimagesizefromstring($this->bytes);

        // What a file says of itself may be more than can be counted.
        return false === $size ? 0 : (int) min(\PHP_INT_MAX >> 1, (float) $size[0] * $size[1]);
    }

    public function mediaType(): string
    {
        return 'image/' . $this->kind;
    }
}
