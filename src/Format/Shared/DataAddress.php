<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

/**
 * Pictures within an address (RFC 2397), brought to the one form that a document keeps: the type by its registered
 * name, in base64 on one line.
 */
final class DataAddress
{
    private const TYPES = ['jpg' => 'jpeg', 'pjpeg' => 'jpeg', 'x-png' => 'png', 'svg' => 'svg+xml'];

    public static function settled(string $address): string
    {
        if (1 !== preg_match('~\A\s*data:image/([\w.+-]+)((?:;[^,;]*)*),(.*)\z~is', $address, $match)) {
            return $address;
        }
        $type = strtolower($match[1]);
        $isBase64 = 1 === preg_match('/;\s*base64\s*\z/i', $match[2]);
        $bytes = $isBase64 ? base64_decode(strtr(rawurldecode($match[3]), '-_', '+/'), false) : rawurldecode($match[3]);

        return 'data:image/' . (self::TYPES[$type] ?? $type) . ';base64,' . base64_encode((string) $bytes);
    }
}
