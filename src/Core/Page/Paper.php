<?php

declare(strict_types=1);

namespace Stemmata\Core\Page;

/** Sizes of paper: ISO 216 (A and B), and the North American ones of ANSI/ASME Y14.1 and of the trade. */
enum Paper: string
{
    case A4 = 'a4';
    case A5 = 'a5';
    case B5 = 'b5';
    case Letter = 'letter';
    case Legal = 'legal';
    case Digest = 'digest';

    /** @return array{float, float} width and height in millimetres */
    public function size(): array
    {
        return match ($this) {
            self::A4 => [210, 297],
            self::A5 => [148, 210],
            self::B5 => [176, 250],
            self::Letter => [215.9, 279.4],
            self::Legal => [215.9, 355.6],
            self::Digest => [139.7, 215.9],
        };
    }
}
