<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

/** The few words that pages say by themselves, by primary language subtag (RFC 5646); the trade's usual ones, from memory. */
final class PageWords
{
    private const PAGE = [
        'en' => 'page',
        'cs' => 'strana',
        'da' => 'side',
        'de' => 'Seite',
        'es' => 'página',
        'fi' => 'sivu',
        'fr' => 'page',
        'it' => 'pagina',
        'nb' => 'side',
        'nl' => 'pagina',
        'no' => 'side',
        'pl' => 'strona',
        'pt' => 'página',
        'ru' => 'страница',
        'sv' => 'sida',
    ];
    private const PICTURE = [
        'en' => 'Picture',
        'de' => 'Bild',
        'fr' => 'Image',
        'es' => 'Imagen',
        'it' => 'Immagine',
    ];

    /** Before the number of a page in running text. */
    public static function page(string $language): string
    {
        return self::PAGE[self::primary($language)] ?? self::PAGE['en'];
    }

    /** In place of a picture that cannot be shown and has no alternative text. */
    public static function picture(string $language): string
    {
        return self::PICTURE[self::primary($language)] ?? self::PICTURE['en'];
    }

    private static function primary(string $language): string
    {
        return strtolower(explode('-', $language)[0]);
    }
}
