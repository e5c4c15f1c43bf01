<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Link\KindName;

/** The styles by which office files keep kinds of the writer’s own; their ids hold the names. */
final class KindStyle
{
    private const PREFIX = 'Kind-';

    public static function id(string $kind): string
    {
        return self::PREFIX . $kind;
    }

    /** The kind that a style is for, by its id; null for any other style. */
    public static function findKind(string $id): ?string
    {
        $kind = str_starts_with($id, self::PREFIX) ? substr($id, strlen(self::PREFIX)) : '';

        return KindName::isValid($kind) ? $kind : null;
    }
}
