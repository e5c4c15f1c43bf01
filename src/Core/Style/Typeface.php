<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** The faces that ship with the application; their files are static ones, the same for pages and for other programs. */
enum Typeface: string
{
    case Literata = 'Literata';
    case Figtree = 'Figtree';
    case StixTwo = 'STIX Two Text';
    case Mono = 'DejaVu Sans Mono';

    /** What a program without the face is to take. */
    public function generic(): string
    {
        return match ($this) {
            self::Literata, self::StixTwo => 'serif',
            self::Figtree => 'sans-serif',
            self::Mono => 'monospace',
        };
    }
}
