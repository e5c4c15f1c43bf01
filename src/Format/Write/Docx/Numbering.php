<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Numbering\LevelNumber;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Numbering\SectionNumber;
use Stemmata\Core\Rendition\RenderedSection;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\ListStyle;
use Stemmata\Format\Shared\MultilevelCounter;

/**
 * The numbering of the file (ECMA-376-1, 17.9): of headings, so that the reader's program goes on counting them, and of
 * lists. Where that program would count otherwise than we do, the number is set; where it cannot be set, it stands
 * among
 * the words.
 *
 * @phpstan-import-type LevelRule from MultilevelCounter
 */
final class Numbering
{
    public const HEADINGS = '1';
    public const APPENDICES = '2';
    public const BULLETS = '3';
    /** Paragraphs after the first of an item. */
    public const GOES_ON = '4';
    /** Takes a paragraph out of the numbering that its style asks for. */
    private const NONE = '0';
    private const DEFINITIONS = [
        self::HEADINGS => 'h',
        self::APPENDICES => 'a',
        self::BULLETS => 'b',
        self::GOES_ON => 'g',
    ];
    private const ORDERED = 'o';
    private const IDS = ['h' => 0, 'a' => 1, 'b' => 2, 'g' => 3, 'o' => 4];
    /** Twentieths of a point for each level of a list. */
    private const INDENT = 360;

    private readonly MultilevelCounter $counter;
    /** @var array<string, array<int, LevelRule>> by definition */
    private readonly array $levels;
    /**
     * @var list<array{string, array<int, int>, array<int, LevelRule>}> definition,
     *     starts and own levels of each instance beyond the four that are always there
     */
    private array $instances = [];
    /** @var array<string, string> the last instance made for a heading, by definition and level */
    private array $made = [];
    private bool $isInAppendix = false;
    private int $appendixLevel = 0;

    public function __construct(private readonly Rendition $rendition)
    {
        $scheme = $rendition->document->setup->numbering;
        $this->counter = new MultilevelCounter();
        $this->levels = ['h' => self::headingLevels($scheme, false), 'a' => self::headingLevels($scheme, true)];
        foreach ($this->levels as $definition => $levels) {
            $this->counter->define($definition, $levels);
        }
        foreach ([self::HEADINGS, self::APPENDICES] as $instance) {
            $this->counter->instance($instance, self::DEFINITIONS[$instance]);
        }
    }

    /**
     * @return array{string, string} the paragraph's own numbering, empty for that of its style,
     *     and a number that must stand among the words
     */
    public function ofHeading(RenderedSection $section): array
    {
        $level = $section->level->value - 1;
        if ($this->isInAppendix && $section->level->value <= $this->appendixLevel) {
            $this->isInAppendix = false;
        }
        if (!$this->isInAppendix && $section->isAppendix()) {
            [$this->isInAppendix, $this->appendixLevel] = [true, $section->level->value];
        }
        $instance = $this->isInAppendix ? self::APPENDICES : self::HEADINGS;
        if ('' === $section->number) {
            return [$this->isNumbered($level) ? self::properties(self::NONE, 0) : '', ''];
        }
        $used = $this->findInstance($section, $instance, $level);
        if (null === $used) {
            return [$this->isNumbered($level) ? self::properties(self::NONE, 0) : '', $section->number];
        }
        $this->counter->next($used, $level);

        return [self::HEADINGS === $used && $this->isNumbered($level) ? '' : self::properties($used, $level), ''];
    }

    /**
     * The instance by which the reader's program prints our number: the common one, or one that is made for this
     * heading.
     */
    private function findInstance(RenderedSection $section, string $instance, int $level): ?string
    {
        $definition = self::DEFINITIONS[$instance];
        $number = $this->rendition->counted($section->position);
        if (null === $number || false === array_search($number->rule->style, MultilevelCounter::STYLES, true)) {
            return null;
        }
        foreach (array_filter([$instance, $this->made[$definition . $level] ?? null]) as $there) {
            if ($this->prints($section->number, $this->counter, $there, $level)) {
                return $there;
            }
        }
        $starts = $this->starts($number, $instance);
        $own = [
            $level => [
                'format' => (string) array_search($number->rule->style, MultilevelCounter::STYLES, true),
                'text' => self::textOf($number),
                'start' => $number->count,
                'restart' => null,
            ],
        ];
        foreach ([[], $own] as $levels) {
            $tried = clone $this->counter;
            $tried->instance('tried', $definition, $starts, $levels);
            if ($this->prints($section->number, $tried, 'tried', $level)) {
                return $this->made[$definition . $level] = $this->instance($definition, $starts, $levels);
            }
        }

        return null;
    }

    private function prints(string $number, MultilevelCounter $counter, string $instance, int $level): bool
    {
        $tried = clone $counter;
        $tried->next($instance, $level);

        return $tried->printed($instance, $level) === $number;
    }

    /** Such as “Chapter %1” or “%1.%3”, where no heading of level 2 stands between. */
    private static function textOf(SectionNumber $number): string
    {
        $counters = '';
        $separator = '';
        for ($each = $number; null !== $each; $each = $each->rule->withParents ? $each->parent : null) {
            $skipped = $each->rule->withParents ? str_repeat('0' . $each->rule->separator, $each->skipped) : '';
            $counters = $skipped . '%' . $each->level . ('' === $counters ? '' : $separator) . $counters;
            $separator = $each->rule->separator;
        }

        return ('' === $number->rule->word ? '' : $number->rule->word . ' ') . $counters;
    }

    /** Whether the style of headings of a level, from 0, asks for a number. */
    public function isNumbered(int $level): bool
    {
        return '' !== $this->levels['h'][$level]['text'];
    }

    /** @return string an instance for one ordered list */
    public function orderedList(int $start, int $level, ?ListStyle $style): string
    {
        $own =
            null === $style
                ? []
                : [
                    $level => [
                        'format' => $style->value,
                        'text' => '%' . ($level + 1) . '.',
                        'start' => $start,
                        'restart' => null,
                    ],
                ];

        return $this->instance(self::ORDERED, [$level => $start], $own);
    }

    /** What a paragraph says of its numbering. */
    public static function properties(string $instance, int $level): string
    {
        return sprintf('<w:numPr><w:ilvl w:val="%d"/><w:numId w:val="%s"/></w:numPr>', $level, $instance);
    }

    public static function isNone(string $wanted): bool
    {
        return self::properties(self::NONE, 0) === $wanted;
    }

    public function toXml(): string
    {
        $xml = Xml::HEAD . '<w:numbering ' . Xml::NAMES . '>';
        $xml .= $this->definition(
            'h',
            fn(int $level): string => $this->levelXml($level, $this->levels['h'][$level], 'Heading' . ($level + 1)),
        );
        $xml .= $this->definition(
            'a',
            fn(int $level): string => $this->levelXml($level, $this->levels['a'][$level], null),
        );
        $xml .= $this->definition(
            'b',
            static fn(int $level): string => self::listLevelXml($level, 'bullet', ['•', '–', '·'][$level % 3]),
        );
        $xml .= $this->definition('g', static fn(int $level): string => self::listLevelXml($level, 'none', ''));
        $xml .= $this->definition(
            'o',
            static fn(int $level): string => self::listLevelXml($level, 'decimal', '%' . ($level + 1) . '.'),
        );
        foreach (self::DEFINITIONS as $instance => $definition) {
            $xml .= $this->instanceXml((string) $instance, $definition, [], []);
        }
        foreach ($this->instances as $index => [$definition, $starts, $own]) {
            $xml .= $this->instanceXml((string) ($index + 5), $definition, $starts, $own);
        }

        return $xml . '</w:numbering>';
    }

    /**
     * The starts by which a number comes out as ours: its own, and those of headings above it that are not in the file.
     *
     * @return array<int, int> by level
     */
    private function starts(SectionNumber $number, string $instance): array
    {
        $starts = [$number->level - 1 => $number->count];
        for ($above = $number->parent; null !== $above; $above = $above->parent) {
            if (!$this->counter->isCounted($instance, $above->level - 1)) {
                $starts[$above->level - 1] = $above->count;
            }
        }

        return $starts;
    }

    /**
     * @param array<int, int>       $starts by level
     * @param array<int, LevelRule> $own    levels that it words otherwise
     */
    private function instance(string $definition, array $starts, array $own = []): string
    {
        $this->instances[] = [$definition, $starts, $own];
        $instance = (string) (count($this->instances) + 4);
        $this->counter->instance($instance, $definition, $starts, $own);

        return $instance;
    }

    /** @return array<int, LevelRule> by level, from 0; the text is empty where headings bear no number */
    private static function headingLevels(Scheme $scheme, bool $isAppendix): array
    {
        $levels = [];
        $counters = '';
        foreach (range(1, 9) as $level) {
            $rule = $scheme->findLevel($isAppendix, $level);
            $format = null === $rule ? false : array_search($rule->style, MultilevelCounter::STYLES, true);
            if (null === $rule || false === $format) {
                $levels[] = ['format' => 'none', 'text' => '', 'start' => 1, 'restart' => null];
                $counters = '';
                continue;
            }
            $counters = self::counters($rule, $counters, $level);
            $levels[] = [
                'format' => $format,
                'text' => ('' === $rule->word ? '' : $rule->word . ' ') . $counters,
                'start' => $rule->start,
                'restart' => $rule->restarts ? null : 0,
            ];
        }

        return $levels;
    }

    private static function counters(LevelNumber $rule, string $above, int $level): string
    {
        return ($rule->withParents && '' !== $above ? $above . $rule->separator : '') . '%' . $level;
    }

    /** @param \Closure(int): string $level */
    private function definition(string $definition, \Closure $level): string
    {
        return sprintf(
            '<w:abstractNum w:abstractNumId="%d"><w:multiLevelType w:val="multilevel"/>%s</w:abstractNum>',
            self::IDS[$definition],
            implode('', array_map($level, range(0, 8))),
        );
    }

    /** @param LevelRule $rule */
    private function levelXml(int $level, array $rule, ?string $style): string
    {
        return sprintf(
            '<w:lvl w:ilvl="%d"><w:start w:val="%d"/><w:numFmt w:val="%s"/>%s%s<w:suff w:val="space"/><w:lvlText w:val="%s"/><w:lvlJc w:val="left"/><w:pPr><w:ind w:left="0" w:firstLine="0"/></w:pPr></w:lvl>',
            $level,
            $rule['start'],
            $rule['format'],
            null === $rule['restart'] ? '' : sprintf('<w:lvlRestart w:val="%d"/>', $rule['restart']),
            null === $style || '' === $rule['text'] ? '' : '<w:pStyle w:val="' . $style . '"/>',
            Xml::escaped($rule['text']),
        );
    }

    private static function listLevelXml(int $level, string $format, string $text): string
    {
        $hanging = 'none' === $format ? ' w:firstLine="0"' : sprintf(' w:hanging="%d"', self::INDENT);

        return sprintf(
            '<w:lvl w:ilvl="%d"><w:start w:val="1"/><w:numFmt w:val="%s"/><w:lvlText w:val="%s"/><w:lvlJc w:val="left"/><w:pPr><w:ind w:left="%d"%s/></w:pPr></w:lvl>',
            $level,
            $format,
            $text,
            ($level + 1) * self::INDENT,
            $hanging,
        );
    }

    /**
     * @param array<int, int>       $starts
     * @param array<int, LevelRule> $own
     */
    private function instanceXml(string $instance, string $definition, array $starts, array $own): string
    {
        $overrides = '';
        ksort($starts);
        foreach ($starts as $level => $start) {
            $overrides .= sprintf(
                '<w:lvlOverride w:ilvl="%d"><w:startOverride w:val="%d"/>%s</w:lvlOverride>',
                $level,
                $start,
                match (true) {
                    !isset($own[$level]) => '',
                    self::ORDERED === $definition => self::listLevelXml(
                        $level,
                        $own[$level]['format'],
                        $own[$level]['text'],
                    ),
                    default => $this->levelXml($level, $own[$level], null),
                },
            );
        }

        return sprintf(
            '<w:num w:numId="%s"><w:abstractNumId w:val="%d"/>%s</w:num>',
            $instance,
            self::IDS[$definition],
            $overrides,
        );
    }
}
