<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

/** How lists of contents are headed, and how their lines look where nothing but the text tells (common practice). */
final class ContentsWords
{
    public static function isHeading(string $words): bool
    {
        return 1 ===
            preg_match(
                '/\A(?:(?:table|list) of )?contents\s*:?\z|\A(?:list|table) of (?:figures|illustrations|tables)\s*:?\z|\Ainhalt(?:sverzeichnis|sübersicht)?\z|\Atable des mati[eè]res\z|\Asommaire\z|\A[ií]ndice(?: general| generale)?\z|\Asommario\z|\Ainhoud(?:sopgave)?\z|\Acontenido\z|\Aоглавление\z|\Aсодержание\z/iu',
                trim($words),
            );
    }

    /** “3.1 Gauges ........ 17”, “Gauges    17” with leaders, a tab or several blanks before the page. */
    public static function isLine(string $line): bool
    {
        return 1 === preg_match('/\S(?:\s*(?:[.·…_]\s?){3,}\s*|\t+|\s{4,})(?:\d{1,4}|[ivxlc]{1,7})\s*\z/u', $line);
    }
}
