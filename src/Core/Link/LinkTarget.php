<?php

declare(strict_types=1);

namespace Stemmata\Core\Link;

use Stemmata\Core\Outline\SectionId;

/**
 * Where a link leads: `section:ID`, `bookmark:ID`, `kept:HASH/NAME` for a file that is kept with the document, or an
 * address of the web, of mail or of a file beside the document.
 * Places in the document are named by id, so that neither renaming nor moving breaks the link.
 */
final class LinkTarget
{
    /** Of addresses outside the document; none of them runs as a script. */
    public const SCHEMES = ['http', 'https', 'mailto', 'tel', 'ftp', 'file', 'doi', 'urn', 'kept'];
    public const MAX_BYTES = 8192;
    private const INSIDE = '/\A(section|bookmark):(' . SectionId::PATTERN . ')\z/';

    public static function toSection(string $id): string
    {
        return 'section:' . $id;
    }

    public static function toBookmark(string $id): string
    {
        return 'bookmark:' . $id;
    }

    /** The id of the section or bookmark meant, or null for an address outside the document. */
    public static function findInnerId(string $target): ?string
    {
        return 1 === preg_match(self::INSIDE, $target, $match) ? $match[2] : null;
    }

    /**
     * Addresses that could run as a script are not addresses. A name without a scheme is a file or an unresolved place
     * (#name).
     */
    public static function isValid(string $target): bool
    {
        if (
            '' === $target ||
            strlen($target) > self::MAX_BYTES ||
            !mb_check_encoding($target, 'UTF-8') ||
            1 === preg_match('/[\x00-\x1F]/', $target)
        ) {
            return false;
        }
        if (null !== self::findInnerId($target)) {
            return true;
        }
        if (1 !== preg_match('/\A\s*([^\/?#]*?):/', $target, $match)) {
            return true;
        }

        if (str_starts_with(strtolower($target), 'kept:')) {
            return null !== KeptFile::findIn($target);
        }

        return in_array(strtolower($match[1]), self::SCHEMES, true);
    }
}
