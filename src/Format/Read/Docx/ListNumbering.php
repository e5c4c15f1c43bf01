<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Core\Text\ListStyle;
use Stemmata\Format\Read\ListKind;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;
use Stemmata\Format\Shared\MultilevelCounter;

/**
 * The numbering part (ECMA-376-1, 17.9): counts as the file's program does, for lists and for headings that it numbers.
 *
 * @phpstan-import-type LevelRule from MultilevelCounter
 */
final readonly class ListNumbering
{
    private function __construct(private MultilevelCounter $counter) {}

    public static function read(?string $xml): self
    {
        $counter = new MultilevelCounter();
        $root = null === $xml ? null : XmlPart::small($xml)->documentElement;
        foreach (null === $root ? [] : Xml::children($root) as $element) {
            if ('abstractNum' === $element->localName) {
                $counter->define(Xml::attribute($element, 'abstractNumId') ?? '', self::levels($element));
            } elseif ('num' === $element->localName) {
                $overrides = [];
                $own = [];
                foreach (Xml::children($element) as $override) {
                    $start = 'lvlOverride' === $override->localName ? Xml::integer($override, 'startOverride') : null;
                    if (null !== $start) {
                        $overrides[(int) Xml::attribute($override, 'ilvl')] = $start;
                    }
                    $own += self::levels($override);
                }
                $counter->instance(
                    Xml::attribute($element, 'numId') ?? '',
                    Xml::value($element, 'abstractNumId') ?? '',
                    $overrides,
                    $own,
                );
            }
        }

        return new self($counter);
    }

    /** Whether a numbering prints anything: 0 takes a paragraph out (ECMA-376-1, 17.9.18). */
    public function has(?string $numId): bool
    {
        return null !== $numId && '0' !== $numId && $this->counter->has($numId);
    }

    public function isOrdered(string $numId, int $level): bool
    {
        return !in_array($this->counter->format($numId, $level), ['bullet', 'none'], true);
    }

    public function kind(string $numId, int $level): ListKind
    {
        return $this->isOrdered($numId, $level)
            ? ListKind::ordered(ListStyle::tryFrom($this->counter->format($numId, $level)))
            : ListKind::bullets();
    }

    /** Whether a paragraph bears no sign of its own and stands under the item above it. */
    public function isContinuation(string $numId, int $level): bool
    {
        return 'none' === $this->counter->format($numId, $level);
    }

    /** Counts one on at a level, and tells the number. */
    public function next(string $numId, int $level): int
    {
        return $this->counter->next($numId, $level);
    }

    /** What the program prints before a heading whose number was just counted: “%1.%2” filled in. */
    public function printed(string $numId, int $level): string
    {
        return $this->isOrdered($numId, $level) ? $this->counter->printed($numId, $level) : '';
    }

    /** @return array<int, LevelRule> */
    private static function levels(\DOMElement $abstract): array
    {
        $levels = [];
        foreach (Xml::children($abstract) as $level) {
            if ('lvl' === $level->localName) {
                $levels[(int) Xml::attribute($level, 'ilvl')] = [
                    'format' => Xml::value($level, 'numFmt') ?? 'decimal',
                    'text' => Xml::value($level, 'lvlText') ?? '',
                    'start' => Xml::integer($level, 'start') ?? 0,
                    'restart' => Xml::integer($level, 'lvlRestart'),
                ];
            }
        }

        return $levels;
    }
}
