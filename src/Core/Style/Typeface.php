<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/**
 * The faces that ship with the application; their files are static ones under open licences, the same for the screen, for
 * pages and for other programs.
 */
enum Typeface: string
{
    case Literata = 'Literata';
    case EbGaramond = 'EB Garamond';
    case StixTwo = 'STIX Two Text';
    case Figtree = 'Figtree';
    case Hyperlegible = 'Atkinson Hyperlegible';
    case OpenDyslexic = 'OpenDyslexic';
    case Mono = 'DejaVu Sans Mono';

    /** What a program without the face is to take. */
    public function generic(): string
    {
        return match ($this) {
            self::Literata, self::EbGaramond, self::StixTwo => 'serif',
            self::Figtree, self::Hyperlegible, self::OpenDyslexic => 'sans-serif',
            self::Mono => 'monospace',
        };
    }

    /** How wide its letters are on average in running English, as a share of their size; from memory, and no more exact. */
    public function letterWidth(): float
    {
        return match ($this) {
            self::EbGaramond => 0.42,
            self::StixTwo => 0.45,
            self::Literata, self::Figtree => 0.5,
            self::Hyperlegible => 0.52,
            self::OpenDyslexic, self::Mono => 0.61,
        };
    }

    /** What it is for, in a few words. */
    public function about(): string
    {
        return match ($this) {
            self::Literata => 'for books',
            self::EbGaramond => 'old-style, for books',
            self::StixTwo => 'for science',
            self::Figtree => 'sans serif',
            self::Hyperlegible => 'sans serif, for low sight',
            self::OpenDyslexic => 'for readers with dyslexia',
            self::Mono => 'monospaced',
        };
    }
}
