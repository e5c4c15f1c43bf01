<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Odt;

use Stemmata\Core\Text\ListStyle;
use Stemmata\Format\Read\ListKind;
use Stemmata\Format\Read\Office\ParagraphStyle;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;

/** Styles of the document and those that its content made for itself (OASIS ODF 1.3 part 3, 16). */
final class Styles
{
    /** Half points; writers that say nothing set 12 points (common practice). */
    private const DEFAULT_SIZE = 24;

    /** @var array<string, ParagraphStyle> what a style itself says, by family and name */
    private array $own = [];
    /** @var array<string, string> by family and name */
    private array $parents = [];
    /** @var array<string, bool> whether it was made for one place only, and has no name a person gave */
    private array $isAutomatic = [];
    /** @var array<string, ParagraphStyle> */
    private array $resolved = [];
    /** @var array<string, array<int, array{kind: ListKind, start: int}>> lists by style and depth */
    private array $lists = [];
    /** @var array<string, string> style of the list that a paragraph style brings, by name */
    private array $listOf = [];

    public function read(?string $xml): void
    {
        $root = null === $xml ? null : XmlPart::small($xml)->documentElement;
        foreach (null === $root ? [] : Xml::children($root) as $group) {
            if (in_array($group->localName, ['styles', 'automatic-styles'], true)) {
                $this->readGroup($group);
            }
        }
    }

    public function readGroup(\DOMElement $group): void
    {
        foreach (Xml::children($group) as $style) {
            if (in_array($style->localName, ['style', 'default-style'], true)) {
                $this->readStyle($style, 'automatic-styles' === $group->localName);
            } elseif ('list-style' === $style->localName) {
                $this->lists[Xml::attribute($style, 'name') ?? ''] = self::listLevels($style);
            }
        }
        $this->resolved = [];
    }

    public function paragraph(?string $name): ParagraphStyle
    {
        // A name that stands for no style still says what its writer meant by it.
        $base = new ParagraphStyle(self::shown($name ?? ''), size: self::DEFAULT_SIZE);

        return $base
            ->with($this->own['paragraph default'] ?? new ParagraphStyle())
            ->with($this->resolved('paragraph', $name ?? ''));
    }

    public function run(?string $name): ParagraphStyle
    {
        return $this->resolved('text', $name ?? '');
    }

    /** Whether the style made for this very place says to begin a new page. */
    public function breaksHere(?string $name): bool
    {
        $key = 'paragraph ' . $name;

        return ($this->isAutomatic[$key] ?? false) && true === ($this->own[$key]->breakBefore ?? null);
    }

    /** @return array{kind: ListKind, start: int} */
    public function listLevel(string $style, int $depth): array
    {
        return $this->lists[$style][$depth] ?? ['kind' => ListKind::bullets(), 'start' => 1];
    }

    public function findListOf(?string $paragraphStyle): ?string
    {
        for ($key = 'paragraph ' . $paragraphStyle, $steps = 0; isset($this->own[$key]) && $steps < 20; ++$steps) {
            if (isset($this->listOf[$key])) {
                return $this->listOf[$key];
            }
            $key = 'paragraph ' . ($this->parents[$key] ?? '');
        }

        return null;
    }

    private function readStyle(\DOMElement $style, bool $isAutomatic): void
    {
        $family = Xml::attribute($style, 'family') ?? '';
        $name = 'default-style' === $style->localName ? 'default' : Xml::attribute($style, 'name') ?? '';
        $key = $family . ' ' . $name;
        $shown =
            $isAutomatic || 'default' === $name ? '' : Xml::attribute($style, 'display-name') ?? self::shown($name);
        $this->own[$key] = self::properties($style, $shown);
        $this->parents[$key] = Xml::attribute($style, 'parent-style-name') ?? '';
        $this->isAutomatic[$key] = $isAutomatic;
        $list = Xml::attribute($style, 'list-style-name');
        if (null !== $list && '' !== $list) {
            $this->listOf[$key] = $list;
        }
    }

    /** Signs that a name of XML cannot hold are written as their numbers. */
    private static function shown(string $name): string
    {
        return (string) preg_replace_callback(
            '/_([0-9a-f]{2})_/',
            static fn(array $match): string => chr((int) hexdec($match[1])),
            $name,
        );
    }

    private static function properties(\DOMElement $style, string $name): ParagraphStyle
    {
        $text = Xml::child($style, 'text-properties');
        $paragraph = Xml::child($style, 'paragraph-properties');
        $weight = Xml::attribute($text, 'font-weight');
        $slant = Xml::attribute($text, 'font-style');
        $position = Xml::attribute($text, 'text-position');
        $break = Xml::attribute($paragraph, 'break-before');
        $transform = Xml::attribute($text, 'text-transform');
        $display = Xml::attribute($text, 'display');
        $stroke = Xml::attribute($text, 'text-line-through-style') ?? Xml::attribute($text, 'text-line-through-type');
        $font = Xml::attribute($text, 'font-name') ?? Xml::attribute($text, 'font-family');
        $level = Xml::attribute($style, 'default-outline-level');

        return new ParagraphStyle(
            name: $name,
            outlineLevel: null === $level || '' === $level ? null : (int) $level - 1,
            bold: null === $weight ? null : 'bold' === $weight || (int) $weight >= 600,
            italic: null === $slant ? null : 'normal' !== $slant,
            caps: null === $transform ? null : 'uppercase' === $transform,
            hidden: null === $display ? null : 'none' === $display,
            breakBefore: null === $break ? null : 'page' === $break,
            size: self::halfPoints(Xml::attribute($text, 'font-size')),
            align: Xml::attribute($paragraph, 'text-align'),
            before: self::points(Xml::attribute($paragraph, 'margin-top')),
            after: self::points(Xml::attribute($paragraph, 'margin-bottom')),
            vertical: null === $position
                ? null
                : match (true) {
                    str_starts_with($position, 'super'), 1 === preg_match('/\A[1-9]/', $position) => 'superscript',
                    str_starts_with($position, 'sub'), str_starts_with($position, '-') => 'subscript',
                    default => '',
                },
            struck: null === $stroke ? null : 'none' !== $stroke,
            isCode: null === $font ? null : 1 === preg_match('/courier|consol|mono|menlo/i', $font),
        );
    }

    private function resolved(string $family, string $name): ParagraphStyle
    {
        $key = $family . ' ' . $name;
        if (isset($this->resolved[$key])) {
            return $this->resolved[$key];
        }
        $chain = [];
        for (
            $each = $key;
            isset($this->own[$each]) && !isset($chain[$each]);
            $each = $family . ' ' . $this->parents[$each]
        ) {
            $chain[$each] = $this->own[$each];
        }
        $style = new ParagraphStyle();
        foreach (array_reverse($chain) as $each) {
            $style = $style->with($each);
        }

        return $this->resolved[$key] = $style;
    }

    /** @return array<int, array{kind: ListKind, start: int}> by depth, from 0 */
    private static function listLevels(\DOMElement $style): array
    {
        $levels = [];
        foreach (Xml::children($style) as $level) {
            $format = Xml::attribute($level, 'num-format') ?? '';
            $isOrdered = 'list-level-style-number' === $level->localName && '' !== $format;
            $levels[(int) Xml::attribute($level, 'level') - 1] = [
                'kind' => $isOrdered ? ListKind::ordered(ListStyle::ofHtmlType($format)) : ListKind::bullets(),
                'start' => (int) (Xml::attribute($level, 'start-value') ?? 1),
            ];
        }

        return $levels;
    }

    private static function halfPoints(?string $size): ?int
    {
        $points = self::points($size);

        return null === $points || 0 === $points ? null : 2 * $points;
    }

    /** Lengths after OASIS ODF 1.3 part 3, 18.3.18; what is relative to something else says nothing here. */
    private static function points(?string $length): ?int
    {
        if (null === $length || 1 !== preg_match('/\A(-?[\d.]+)(pt|in|cm|mm|pc|px)\z/', $length, $match)) {
            return null;
        }
        $points =
            (float) $match[1] *
            ['pt' => 1, 'in' => 72, 'cm' => 28.3465, 'mm' => 2.83465, 'pc' => 12, 'px' => 0.75][$match[2]];

        return max(0, min(9999, (int) round($points)));
    }
}
