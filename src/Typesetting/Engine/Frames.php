<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

/** Messages as this side and `frames.mjs` send them: the length of the JSON in four bytes, the JSON, and the same for bytes. */
final class Frames
{
    /** @param array<string, mixed> $request */
    public static function of(array $request): string
    {
        $json = json_encode($request, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);

        return pack('N', strlen($json)) . $json;
    }

    /**
     * @param \Closure(int): string $read the next so many bytes, or fewer where it ends
     *
     * @return array{array<mixed>, string}|null null for a message that is not whole
     */
    public static function read(\Closure $read): ?array
    {
        $json = self::part($read);
        $bytes = null === $json ? null : self::part($read);
        $message = null === $json ? null : json_decode($json, true);

        return is_array($message) && null !== $bytes ? [$message, $bytes] : null;
    }

    /** @param \Closure(int): string $read */
    private static function part(\Closure $read): ?string
    {
        $head = unpack('N', str_pad($read(4), 4, "\0", \STR_PAD_LEFT));
        $length = is_array($head) && is_int($head[1]) ? $head[1] : 0;
        $part = 0 === $length ? '' : $read($length);

        return strlen($part) === $length ? $part : null;
    }
}
