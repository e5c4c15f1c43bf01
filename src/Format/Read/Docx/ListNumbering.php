<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Core\Numbering\NumberStyle;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;

/** The numbering part (ECMA-376-1, 17.9): counts as the file's program does, for lists and for headings that it numbers. */
final class ListNumbering
{
    private const STYLES = ['decimal' => NumberStyle::Arabic, 'decimalZero' => NumberStyle::Arabic, 'upperRoman' => NumberStyle::UpperRoman, 'lowerRoman' => NumberStyle::LowerRoman, 'upperLetter' => NumberStyle::UpperLetter, 'lowerLetter' => NumberStyle::LowerLetter, 'cardinalText' => NumberStyle::Spelled];

    /** @var array<string, array<int, int>> the last number at each level, by abstract numbering */
    private array $counts = [];
    /** @var array<string, true> numberings whose own starts have been set */
    private array $begun = [];

    /**
     * @param array<string, array<int, array{format: string, text: string, start: int}>> $levels    by abstract numbering and level
     * @param array<string, string>                                                      $abstracts by numbering
     * @param array<string, array<int, int>>                                             $overrides starts set anew, by numbering and level
     */
    private function __construct(private readonly array $levels, private readonly array $abstracts, private readonly array $overrides)
    {
    }

    public static function read(?string $xml): self
    {
        $levels = [];
        $abstracts = [];
        $overrides = [];
        $root = null === $xml ? null : XmlPart::small($xml)->documentElement;
        foreach (null === $root ? [] : Xml::children($root) as $element) {
            if ('abstractNum' === $element->localName) {
                $levels[Xml::attribute($element, 'abstractNumId') ?? ''] = self::levels($element);
            } elseif ('num' === $element->localName) {
                $id = Xml::attribute($element, 'numId') ?? '';
                $abstracts[$id] = Xml::value($element, 'abstractNumId') ?? '';
                foreach (Xml::children($element) as $override) {
                    $start = 'lvlOverride' === $override->localName ? Xml::integer($override, 'startOverride') : null;
                    if (null !== $start) {
                        $overrides[$id][(int) Xml::attribute($override, 'ilvl')] = $start;
                    }
                }
            }
        }

        return new self($levels, $abstracts, $overrides);
    }

    /** Whether a numbering prints anything: 0 takes a paragraph out (ECMA-376-1, 17.9.18). */
    public function has(?string $numId): bool
    {
        return null !== $numId && '0' !== $numId && isset($this->abstracts[$numId]);
    }

    public function isOrdered(string $numId, int $level): bool
    {
        return !in_array($this->level($numId, $level)['format'], ['bullet', 'none'], true);
    }

    /** Counts one on at a level, and tells the number. */
    public function next(string $numId, int $level): int
    {
        $key = $this->abstracts[$numId] ?? '';
        if (!isset($this->begun[$numId])) {
            $this->begun[$numId] = true;
            foreach ($this->overrides[$numId] ?? [] as $at => $start) {
                $this->counts[$key][$at] = $start - 1;
            }
        }
        $this->counts[$key][$level] = isset($this->counts[$key][$level]) ? $this->counts[$key][$level] + 1 : $this->level($numId, $level)['start'];
        foreach (array_keys($this->counts[$key]) as $deeper) {
            if ($deeper > $level) {
                unset($this->counts[$key][$deeper]);
            }
        }

        return $this->counts[$key][$level];
    }

    /** What the program prints before a heading whose number was just counted: “%1.%2” filled in. */
    public function printed(string $numId, int $level): string
    {
        if (!$this->isOrdered($numId, $level)) {
            return '';
        }
        $counts = $this->counts[$this->abstracts[$numId] ?? ''] ?? [];

        return trim((string) preg_replace_callback('/%([1-9])/', function (array $match) use ($numId, $counts): string {
            $of = (int) $match[1] - 1;
            $rule = $this->level($numId, $of);

            return (self::STYLES[$rule['format']] ?? NumberStyle::Arabic)->written($counts[$of] ?? $rule['start']);
        }, $this->level($numId, $level)['text']));
    }

    /** @return array{format: string, text: string, start: int} */
    private function level(string $numId, int $level): array
    {
        return $this->levels[$this->abstracts[$numId] ?? ''][$level] ?? ['format' => 'decimal', 'text' => '%'.($level + 1), 'start' => 1];
    }

    /** @return array<int, array{format: string, text: string, start: int}> */
    private static function levels(\DOMElement $abstract): array
    {
        $levels = [];
        foreach (Xml::children($abstract) as $level) {
            if ('lvl' === $level->localName) {
                $levels[(int) Xml::attribute($level, 'ilvl')] = [
                    'format' => Xml::value($level, 'numFmt') ?? 'decimal',
                    'text' => Xml::value($level, 'lvlText') ?? '',
                    'start' => Xml::integer($level, 'start') ?? 0,
                ];
            }
        }

        return $levels;
    }
}
