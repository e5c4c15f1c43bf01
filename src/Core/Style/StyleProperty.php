<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/**
 * What a style sheet can say of a kind of text. Values are written as in the sheet’s JSON:
 *
 * - `size` 4 to 144 pt, or 10 to 1000 % of what the kind rests on
 * - `weight` 100 to 900 in hundreds, as in OpenType; 400 is regular, 700 bold
 * - `letterSpacing` -3 to 20 pt, added between letters
 * - `lineHeight` a factor of the size from 0.8 to 4, or exactly 4 to 300 pt
 * - `spaceBefore`, `spaceAfter`, `indentStart`, `indentEnd` 0 to 300 pt; start is where the language begins a line
 * - `firstLine` -150 to 150 pt; below 0 it hangs, the other lines standing in
 * - `ruleAbove`, `ruleBelow`, `frame` “none”, or width (0.1 to 10 pt) and colour
 * - colours “#rrggbb”; “ink” for the one of the page, and “none” for no ground
 *
 * Lengths may be given in pt, mm, cm or in, and are kept in points (1/72 inch).
 */
enum StyleProperty: string
{
    case Face = 'face';
    case Size = 'size';
    case Weight = 'weight';
    case Slant = 'slant';
    case Capitals = 'capitals';
    case LetterSpacing = 'letterSpacing';
    case Colour = 'colour';
    case Ground = 'ground';
    case Underline = 'underline';
    case Alignment = 'alignment';
    case LineHeight = 'lineHeight';
    case SpaceBefore = 'spaceBefore';
    case SpaceAfter = 'spaceAfter';
    case FirstLine = 'firstLine';
    case IndentStart = 'indentStart';
    case IndentEnd = 'indentEnd';
    case RuleAbove = 'ruleAbove';
    case RuleBelow = 'ruleBelow';
    case Frame = 'frame';
    case KeepWithNext = 'keepWithNext';
    case KeepTogether = 'keepTogether';
    case NewPage = 'newPage';
    case Hyphenation = 'hyphenation';
    case Figures = 'figures';

    private const COLOUR = '/\A#[0-9a-f]{6}\z/';
    private const NUMBER = '-?(?:\d{1,4}(?:\.\d{1,6})?|\.\d{1,6})';
    /** Points in each unit. */
    private const UNITS = ['pt' => 1.0, 'mm' => 72 / 25.4, 'cm' => 720 / 25.4, 'in' => 72.0];

    /** @return list<string>|null the words that it can be; null for one that is measured, or a colour */
    public function words(): ?array
    {
        return match ($this) {
            self::Face => array_column(Typeface::cases(), 'value'),
            self::Weight => array_map(strval(...), range(100, 900, 100)),
            self::Slant => ['upright', 'italic'],
            self::Capitals => array_column(Capitals::cases(), 'value'),
            self::Alignment => array_column(Alignment::cases(), 'value'),
            self::Underline, self::KeepWithNext, self::KeepTogether, self::NewPage => ['yes', 'no'],
            self::Hyphenation => array_column(Hyphenation::cases(), 'value'),
            self::Figures => array_column(Figures::cases(), 'value'),
            default => null,
        };
    }

    /** What it can be, as the end of a sentence: “can be …”. */
    public function allowed(): string
    {
        $words = $this->words();
        if (null !== $words) {
            return 'one of ' . implode(', ', $words);
        }

        return match ($this) {
            self::Size => 'from 4pt to 144pt, or from 10% to 1000%',
            self::LineHeight => 'a factor from 0.8 to 4, or from 4pt to 300pt',
            self::Colour => 'a colour such as #aa1166, or ink',
            self::Ground => 'a colour such as #f3f1e8, or none',
            self::RuleAbove,
            self::RuleBelow,
            self::Frame
                => 'a width from 0.1pt to 10pt with a colour, such as 0.5pt #8a948e, or none',
            default => vsprintf('from %spt to %spt', $this->range() ?? []),
        };
    }

    /** @return array{int, int}|null points; null for what is no length */
    public function range(): ?array
    {
        return match ($this) {
            self::Size => [4, 144],
            self::LetterSpacing => [-3, 20],
            self::LineHeight => [4, 300],
            self::SpaceBefore, self::SpaceAfter, self::IndentStart, self::IndentEnd => [0, 300],
            self::FirstLine => [-150, 150],
            default => null,
        };
    }

    /** The value in the one form in which it is kept; null when it cannot be that. */
    public function findNormal(mixed $value): ?string
    {
        $written = match (true) {
            is_bool($value) => $value ? 'yes' : 'no',
            is_int($value), is_float($value) => self::number((float) $value),
            is_string($value) => trim($value),
            default => null,
        };
        if (null === $written) {
            return null;
        }
        $words = $this->words();
        if (null !== $words) {
            foreach ($words as $word) {
                if (0 === strcasecmp($word, $written)) {
                    return $word;
                }
            }

            return null;
        }
        $written = strtolower($written);

        return match ($this) {
            self::Size => $this->findLength($written) ?? self::findWithin('%', $written, 10, 1000),
            self::LineHeight => self::findWithin('', $written, 0.8, 4) ?? $this->findLength($written),
            self::Colour => 'ink' === $written ? $written : self::findColour($written),
            self::Ground => 'none' === $written ? $written : self::findColour($written),
            self::RuleAbove, self::RuleBelow, self::Frame => 'none' === $written ? $written : self::findRule($written),
            default => $this->findLength($written),
        };
    }

    private function findLength(string $written): ?string
    {
        $range = $this->range();
        $points = self::findPoints($written);

        return null === $points || null === $range || $points < $range[0] || $points > $range[1]
            ? null
            : self::number($points) . 'pt';
    }

    /** Points of a length with its unit; nothing has no unit to need. */
    private static function findPoints(string $written): ?float
    {
        if (1 !== preg_match('/\A(' . self::NUMBER . ')\s*(pt|mm|cm|in)\z/', $written, $match)) {
            return 1 === preg_match('/\A0(?:\.0+)?\z/', $written) ? 0.0 : null;
        }

        return round((float) $match[1] * self::UNITS[$match[2]], 3);
    }

    private static function findWithin(string $unit, string $written, float $least, float $most): ?string
    {
        return 1 === preg_match('/\A(' . self::NUMBER . ')\s*' . $unit . '\z/', $written, $match) &&
            (float) $match[1] >= $least &&
            (float) $match[1] <= $most
            ? self::number((float) $match[1]) . $unit
            : null;
    }

    private static function findColour(string $written): ?string
    {
        return 1 === preg_match(self::COLOUR, $written) ? $written : null;
    }

    private static function findRule(string $written): ?string
    {
        [$width, $colour] = [...preg_split('/\s+(?=#)/', $written) ?: [], '', ''];
        $points = self::findPoints($width);

        return null !== $points && $points >= 0.1 && $points <= 10 && null !== self::findColour($colour)
            ? self::number($points) . 'pt ' . $colour
            : null;
    }

    /** As short as it can be written, with at most six decimals. */
    public static function number(float $value): string
    {
        $written = rtrim(rtrim(sprintf('%.6F', $value), '0'), '.');

        return '-0' === $written ? '0' : $written;
    }
}
