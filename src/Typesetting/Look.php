<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Language\Language;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Page\RunningField;
use Stemmata\Core\Page\RunningLine;
use Stemmata\Core\Style\Alignment;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Style\TextStyle;
use Stemmata\Typesetting\Markup\TypstValue;

/** Makes `look.typ` of a document's house style and page setup: what `book.typ` asks for. */
final readonly class Look
{
    /** Points in a millimetre. */
    private const MILLIMETRE = 72 / 25.4;
    /** For what the faces do not hold; those that are there are taken in this order. */
    private const FALLBACK = [
        'Libertinus Serif',
        'Noto Serif',
        'Noto Sans',
        'Noto Naskh Arabic',
        'Noto Serif Hebrew',
        'Noto Serif CJK SC',
        'Noto Color Emoji',
    ];

    public function __construct(private Document $document) {}

    public function source(): string
    {
        $style = $this->document->setup->style();
        $kinds = [];
        $levels = [];
        $lines = [];
        foreach (TextKind::cases() as $kind) {
            if (!$kind->hasLevels()) {
                $kinds[] = $kind->value . ': ' . self::style($style->of($kind));
            }
        }
        for ($level = 1; $level <= 9; ++$level) {
            $levels[] = self::style($style->of(TextKind::Heading, $level));
            $lines[] = self::style($style->of(TextKind::ContentsLine, $level));
        }

        return sprintf(
            "#let kinds = (%s)\n#let levels = (%s,)\n#let contents-levels = (%s,)\n#let setup = (%s)\n#let words = (%s)\n",
            implode(', ', $kinds),
            implode(', ', $levels),
            implode(', ', $lines),
            self::dictionary($this->setup($this->document->setup->pages())),
            self::dictionary([
                'page' => TypstValue::string(PageWords::page($this->document->titleBlock->language)),
                'picture' => TypstValue::string(PageWords::picture($this->document->titleBlock->language)),
            ]),
        );
    }

    private static function style(TextStyle $style): string
    {
        return '(' .
            self::dictionary([
                'face' => TypstValue::string($style->face->value),
                'size' => TypstValue::length($style->size),
                'pitch' => TypstValue::length($style->pitch()),
                'weight' => TypstValue::of($style->weight),
                'italic' => TypstValue::of($style->italic),
                'justified' => TypstValue::of(Alignment::Justified === $style->alignment),
                'centred' => TypstValue::of(Alignment::Centred === $style->alignment),
                'first-line' => TypstValue::length($style->firstLine),
                'indents-all' => TypstValue::of($style->indentsAll),
                'indent-start' => TypstValue::length($style->indentStart),
                'indent-end' => TypstValue::length($style->indentEnd),
                'before' => TypstValue::length($style->spaceBefore),
                'after' => TypstValue::length($style->spaceAfter),
            ]) .
            ')';
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
            'fallback' => TypstValue::of(self::FALLBACK),
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

    /** @param array<string, string> $entries */
    private static function dictionary(array $entries): string
    {
        $written = [];
        foreach ($entries as $name => $value) {
            $written[] = $name . ': ' . $value;
        }

        return implode(', ', $written);
    }
}
