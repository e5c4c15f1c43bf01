<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Odt;

use Stemmata\Core\Numbering\NumberStyle;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;

/** Counts headings as the file's program does, by its outline style (OASIS ODF 1.3 part 3, 16.34). */
final class OutlineNumbering
{
    private const STYLES = [
        '1' => NumberStyle::Arabic,
        'I' => NumberStyle::UpperRoman,
        'i' => NumberStyle::LowerRoman,
        'A' => NumberStyle::UpperLetter,
        'a' => NumberStyle::LowerLetter,
    ];

    /** @var array<int, int> the last number at each level */
    private array $counts = [];

    /** @param array<int, array{format: string, prefix: string, suffix: string, shown: int, start: int}> $levels by level, from 1 */
    private function __construct(private readonly array $levels) {}

    public static function read(?string $xml): self
    {
        $root = null === $xml ? null : XmlPart::small($xml)->documentElement;
        $style = null === $root ? null : Xml::descendant($root, 'outline-style');
        $levels = [];
        foreach (null === $style ? [] : Xml::children($style) as $level) {
            $levels[(int) Xml::attribute($level, 'level')] = [
                'format' => Xml::attribute($level, 'num-format') ?? '',
                'prefix' => Xml::attribute($level, 'num-prefix') ?? '',
                'suffix' => Xml::attribute($level, 'num-suffix') ?? '',
                'shown' => (int) (Xml::attribute($level, 'display-levels') ?? 1),
                'start' => (int) (Xml::attribute($level, 'start-value') ?? 1),
            ];
        }

        return new self($levels);
    }

    /** Counts a heading, and tells what is printed before it; empty for nothing. */
    public function next(int $level): string
    {
        $rule = $this->levels[$level] ?? null;
        foreach (array_keys($this->counts) as $deeper) {
            if ($deeper > $level) {
                unset($this->counts[$deeper]);
            }
        }
        $this->counts[$level] = isset($this->counts[$level]) ? $this->counts[$level] + 1 : $rule['start'] ?? 1;
        if (null === $rule || '' === $rule['format']) {
            return '';
        }
        $parts = [];
        for ($shown = max(1, $level - $rule['shown'] + 1); $shown <= $level; ++$shown) {
            $style = self::STYLES[$this->levels[$shown]['format'] ?? ''] ?? null;
            if (null !== $style && isset($this->counts[$shown])) {
                $parts[] = $style->written($this->counts[$shown]);
            }
        }

        return trim($rule['prefix'] . implode('.', $parts) . $rule['suffix']);
    }
}
