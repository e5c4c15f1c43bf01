<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Language\Language;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Page\RunningField;
use Stemmata\Core\Page\RunningLine;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Style\TextStyle;
use Stemmata\Typesetting\Markup\BlockTypst;
use Stemmata\Typesetting\Markup\StyleTypst;
use Stemmata\Typesetting\Markup\TypstValue;

/** Makes `look.typ` of a document's house style and page setup: what `book.typ` asks for. */
final readonly class Look
{
    /** Points in a millimetre. */
    private const MILLIMETRE = 72 / 25.4;

    public function __construct(private Document $document) {}

    public function source(): string
    {
        $style = $this->document->setup->style();
        $kinds = [];
        foreach (TextKind::cases() as $kind) {
            if (!$kind->hasLevels()) {
                $kinds[$kind->value] = StyleTypst::paragraph($style->of($kind), self::usual($style)->of($kind));
            }
        }
        $body = $style->of(TextKind::Body);
        // The first paragraph of a run is not indented by the engine, unless all are.
        $indentsAll = $style->of(TextKind::FirstParagraph)->firstLine === $body->firstLine;
        $kinds[TextKind::Body->value] = StyleTypst::paragraph($body, indentsAll: $indentsAll);

        return sprintf(
            "#let kinds = (%s)\n#let levels = %s\n#let items = %s\n#let contents-levels = %s\n#let own-kinds = (%s)\n#let own-words = (%s)\n#let setup = (%s)\n#let words = (%s)\n",
            StyleTypst::dictionary($kinds),
            self::levels($style, TextKind::Heading),
            self::items($style),
            self::levels($style, TextKind::ContentsLine),
            StyleTypst::named(array_map(static fn(TextStyle $own): string => StyleTypst::paragraph($own), $style->own)),
            StyleTypst::named(array_map(StyleTypst::words(...), $style->words)),
            StyleTypst::dictionary([
                ...$this->setup($this->document->setup->pages()),
                'padding' => TypstValue::length(TextStyle::PADDING),
                'is-changed' => TypstValue::of($style->isChanged),
                'first-is-apart' => TypstValue::of(
                    $style->of(TextKind::FirstParagraph) !=
                        $body->with(firstLine: $style->of(TextKind::FirstParagraph)->firstLine) ||
                        (!$indentsAll && 0.0 !== $style->of(TextKind::FirstParagraph)->firstLine) ||
                        BlockTypst::boxes($style),
                ),
            ]),
            StyleTypst::dictionary([
                'page' => TypstValue::string(PageWords::page($this->document->titleBlock->language)),
                'picture' => TypstValue::string(PageWords::picture($this->document->titleBlock->language)),
            ]),
        );
    }

    private static function levels(HouseStyle $style, TextKind $kind): string
    {
        return '(' .
            implode(
                '',
                array_map(
                    static fn(int $level): string => StyleTypst::paragraph(
                        $style->of($kind, $level),
                        self::usual($style)->of($kind, $level),
                    ) . ', ',
                    range(1, 9),
                ),
            ) .
            ')';
    }

    /** Items look as the text around them does, as long as no style sheet says otherwise. */
    private static function items(HouseStyle $style): string
    {
        $items = '';
        foreach (range(1, 9) as $depth) {
            $item = $style->of(TextKind::ListItem, $depth);
            $items .= sprintf('%s + (is-apart: %s), ', StyleTypst::paragraph($item), TypstValue::of($style->isChanged));
        }

        return '(' . $items . ')';
    }

    /** What the pages of a house style are made for: what a sheet says otherwise is told apart from it. */
    private static function usual(HouseStyle $style): HouseStyle
    {
        return HouseStyles::find($style->name) ?? $style;
    }

    /** @return array<string, string> */
    private function setup(PageSetup $pages): array
    {
        $title = $this->document->titleBlock;
        [$width, $height] = $pages->paper->size();
        $margins = $pages->margins;
        $language = Language::primary($title->language);
        $region = Language::findRegion($title->language);
        $length = static fn(float $millimetres): string => TypstValue::length($millimetres * self::MILLIMETRE);

        return [
            'width' => $length($width),
            'height' => $length($height),
            'room' => sprintf(
                '(width: %s, height: %s)',
                $length($width - $margins->inner - $margins->outer),
                $length($height - $margins->top - $margins->bottom),
            ),
            'margin' => sprintf(
                '(top: %s, bottom: %s, %s: %s, %s: %s)',
                $length($margins->top),
                $length($margins->bottom),
                $pages->isTwoSided ? 'inside' : 'left',
                $length($margins->inner),
                $pages->isTwoSided ? 'outside' : 'right',
                $length($margins->outer),
            ),
            'two-sided' => TypstValue::of($pages->isTwoSided),
            'chapters' => TypstValue::string($pages->chapters->value),
            'numbering' => null === $this->findBodyBegin() ? '"1"' : '"i"',
            'lang' => TypstValue::string('und' === $language ? 'en' : $language),
            'region' => null === $region ? 'none' : TypstValue::string($region),
            'right-to-left' => TypstValue::of('rtl' === Language::direction($title->language)),
            'fallback' => TypstValue::of(StyleTypst::FALLBACK),
            'small-lines' => TypstValue::of(LineLook::SMALL),
            'title' => TypstValue::string('' === trim($title->title) ? 'Untitled' : $title->title),
            'authors' => TypstValue::of('' === $title->author ? [] : [$title->author]),
            'title-page' => TypstValue::of($pages->hasTitlePage && null === $this->document->whole),
            'title-lines' => '(' . implode('', array_map(self::titleLine(...), $this->titleLines($pages))) . ')',
            'fields' => sprintf(
                '(title: %s, author: %s, date: %s)',
                TypstValue::string($title->title),
                TypstValue::string($title->author),
                TypstValue::string($title->date),
            ),
            'header' => self::running($pages->rightHeader()),
            'footer' => self::running($pages->rightFooter()),
            'even-header' => self::running($pages->evenHeader()),
            'even-footer' => self::running($pages->evenFooter()),
            'first-header' => self::running($pages->firstHeader()),
            'first-footer' => self::running($pages->firstFooter()),
        ];
    }

    /**
     * The position of the section with which the body begins: the one that the writer said, else the first numbered one
     * of level 1. Null when all of it is body.
     */
    public function findBodyBegin(): ?int
    {
        $outline = $this->document->outline;
        $pages = $this->document->setup->pages();
        if (!$pages->isFrontRoman || null !== $this->document->whole) {
            return null;
        }
        if (null !== $pages->bodyFrom) {
            return $outline->positions()[$pages->bodyFrom] ?? null;
        }
        foreach ($this->document->numbers() as $position => $number) {
            if ('' !== $number && 1 === $outline->levelAt($position)->value) {
                return $position;
            }
        }

        return null;
    }

    /** @return list<array{TextKind, string}> a branch is called by its first heading, which stands in the text */
    private function titleLines(PageSetup $pages): array
    {
        $title = $this->document->titleBlock;
        if (null !== $this->document->whole) {
            return [];
        }
        $lines = [
            [TextKind::Title, $title->title],
            [TextKind::Subtitle, $title->subtitle],
            [TextKind::TitleLine, $title->author],
            ...array_map(
                static fn(string $line): array => [TextKind::TitleLine, $line],
                $pages->hasTitlePage ? $pages->titleLines : [],
            ),
            [TextKind::TitleLine, $title->date],
        ];

        return array_values(array_filter($lines, static fn(array $line): bool => '' !== trim($line[1])));
    }

    /** @param array{TextKind, string} $line */
    private static function titleLine(array $line): string
    {
        return sprintf('(%s, [%s]), ', TypstValue::string($line[0]->value), TypstValue::words($line[1]));
    }

    private static function running(RunningLine $line): string
    {
        if ($line->isEmpty()) {
            return 'none';
        }
        $places = '';
        foreach ([$line->start, $line->middle, $line->end] as $parts) {
            $places .=
                '(' .
                implode(
                    '',
                    array_map(
                        static fn(string|RunningField $part): string => is_string($part)
                            ? TypstValue::string($part) . ', '
                            : '(' . TypstValue::string($part->value) . ',), ',
                        $parts,
                    ),
                ) .
                '), ';
        }

        return '(' . $places . ')';
    }
}
