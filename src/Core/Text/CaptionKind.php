<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** What a caption belongs to; each kind is counted by itself through the document (common practice). */
enum CaptionKind: string
{
    case Figure = 'figure';
    case Table = 'table';

    /** The words before the number, by primary language subtag (RFC 5646); the trade's usual ones, from memory. */
    private const WORDS = [
        'en' => ['Figure', 'Table'],
        'cs' => ['Obrázek', 'Tabulka'],
        'da' => ['Figur', 'Tabel'],
        'de' => ['Abbildung', 'Tabelle'],
        'es' => ['Figura', 'Tabla'],
        'fi' => ['Kuva', 'Taulukko'],
        'fr' => ['Figure', 'Tableau'],
        'it' => ['Figura', 'Tabella'],
        'nb' => ['Figur', 'Tabell'],
        'nl' => ['Figuur', 'Tabel'],
        'no' => ['Figur', 'Tabell'],
        'pl' => ['Rysunek', 'Tabela'],
        'pt' => ['Figura', 'Tabela'],
        'ru' => ['Рисунок', 'Таблица'],
        'sv' => ['Figur', 'Tabell'],
    ];
    /** Shortened forms that are typed before a number as well. */
    private const SHORTENED = [
        'Fig',
        'Figs',
        'Tab',
        'Abb',
        'Tbl',
        'Рис',
        'Табл',
        'Obr',
        'Rys',
        'Afb',
        'Plate',
        'Chart',
    ];

    /** Such as “Figure” in a document in English; English where the language has no words here. */
    public function word(string $language): string
    {
        $words = self::WORDS[strtolower(explode('-', $language)[0])] ?? self::WORDS['en'];

        return $words[self::Figure === $this ? 0 : 1];
    }

    /** Whether a caption begins with a number that was typed, as “Figure 2.1: …” or “Tab. 4 …” do. */
    public static function isNumbered(string $caption): bool
    {
        return 1 === preg_match('/\A\s*(?:' . self::anyWord() . ')\.?\s*(?:[A-Z]\.?)?\d/ui', $caption);
    }

    /**
     * How many characters of a caption are “Figure 3: ” or the like, with just this number and the word of the language;
     * 0 when it begins otherwise.
     */
    public function typedLead(string $caption, int $number, string $language): int
    {
        $lead =
            '/\A\s*' .
            preg_quote($this->word($language), '/') .
            '\s*' .
            $number .
            '\s*(?:[.:\x{2013}\x{2014}-]\s*|(?=\s)\s+|\z)/ui';

        return 1 === preg_match($lead, $caption, $match) ? mb_strlen($match[0]) : 0;
    }

    private static function anyWord(): string
    {
        return implode('|', array_unique([...array_merge(...array_values(self::WORDS)), ...self::SHORTENED]));
    }
}
