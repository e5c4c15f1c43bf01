<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

use Stemmata\Core\Page\ChapterStart;
use Stemmata\Core\Page\Margins;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Page\Paper;

/** The house styles that ship. */
final class HouseStyles
{
    public const PLAIN = 'reading';
    /** Points in an inch. */
    private const INCH = 72.0;

    /** @return list<HouseStyle> the plain one first */
    public static function all(): array
    {
        return [self::reading(), self::academic(), self::report()];
    }

    public static function find(string $name): ?HouseStyle
    {
        foreach (self::all() as $style) {
            if ($style->name === strtolower($name)) {
                return $style;
            }
        }

        return null;
    }

    private static function reading(): HouseStyle
    {
        $body = new TextStyle(Typeface::Literata, 10, 1.45, alignment: Alignment::Justified, firstLine: 14);

        return self::style(
            'reading',
            'Reading',
            'A book page: small, justified, indented paragraphs.',
            new PageSetup(
                Paper::A5,
                new Margins(20, 22, 20, 16),
                isTwoSided: true,
                chapters: ChapterStart::NewPage,
                isFrontRoman: true,
            ),
            $body,
            $body->with(alignment: Alignment::Start, firstLine: 0, weight: 600),
            [19, 13.5, 11.5, 10.5, 10, 10, 10, 10, 10],
            $body->with(size: 9.5, firstLine: 0, indentStart: 14, indentEnd: 14, spaceBefore: 8, spaceAfter: 8),
        );
    }

    /**
     * After common practice for theses: 12-point text, double-spaced, first lines indented 0.5 inch, block quotations
     * single-spaced and indented, chapters on a new page, margins of one inch.
     */
    private static function academic(): HouseStyle
    {
        $body = new TextStyle(
            Typeface::StixTwo,
            12,
            2,
            alignment: Alignment::Start,
            firstLine: self::INCH / 2,
            indentsAll: true,
        );

        return self::style(
            'academic',
            'Academic',
            'A thesis: double-spaced, first lines indented, chapters on a new page.',
            new PageSetup(
                Paper::A4,
                new Margins(25.4, 25.4, 25.4, 25.4),
                chapters: ChapterStart::NewPage,
                isFrontRoman: true,
            ),
            $body,
            $body->with(firstLine: 0, indentsAll: false, weight: 700, lineHeight: 1.25),
            [18, 14, 12.5, 12, 12, 12, 12, 12, 12],
            $body->with(
                lineHeight: 1.2,
                firstLine: 0,
                indentsAll: false,
                indentStart: self::INCH / 2,
                indentEnd: 0,
                spaceBefore: 10,
                spaceAfter: 14,
            ),
        );
    }

    private static function report(): HouseStyle
    {
        $body = new TextStyle(Typeface::Figtree, 10.5, 1.4, spaceAfter: 7);

        return self::style(
            'report',
            'Report',
            'An office paper: a plain face, space between paragraphs, no indents.',
            new PageSetup(Paper::A4, new Margins(24, 24, 25, 25), chapters: ChapterStart::Following),
            $body,
            $body->with(weight: 600, spaceAfter: 0),
            [20, 15, 12.5, 11, 10.5, 10.5, 10.5, 10.5, 10.5],
            $body->with(indentStart: 16, indentEnd: 16, spaceBefore: 4, spaceAfter: 10),
        );
    }

    /** @param list<float> $sizes of headings, by level from 1 on */
    private static function style(
        string $name,
        string $label,
        string $about,
        PageSetup $pages,
        TextStyle $body,
        TextStyle $heading,
        array $sizes,
        TextStyle $quotation,
    ): HouseStyle {
        $headings = [];
        $lines = [];
        $plain = $body->with(alignment: Alignment::Start, firstLine: 0, indentsAll: false, spaceAfter: 0);
        $tight = $plain->with(lineHeight: min($body->lineHeight, 1.35));
        foreach ($sizes as $index => $size) {
            $level = $index + 1;
            $headings[$level] = $heading->with(
                size: $size,
                lineHeight: 1.25,
                italic: $level > 4,
                weight: $level > 4 ? 400 : $heading->weight,
                spaceBefore: $size * ($level < 3 ? 1.5 : 1.1),
                spaceAfter: $size * ($level < 3 ? 0.7 : 0.5),
            );
            $lines[$level] = $tight->with(
                weight: 1 === $level ? $heading->weight : 400,
                indentStart: 14.0 * $index,
                spaceBefore: 1 === $level ? 5 : 0,
                spaceAfter: 2,
            );
        }

        return new HouseStyle(
            $name,
            $label,
            $about,
            $pages,
            [
                TextKind::Body->value => $body,
                TextKind::Title->value => $heading->with(size: $sizes[0] * 1.5, lineHeight: 1.2, spaceAfter: 10),
                TextKind::Subtitle->value => $plain->with(
                    size: $sizes[1],
                    lineHeight: 1.3,
                    italic: true,
                    spaceAfter: 8,
                ),
                TextKind::TitleLine->value => $plain->with(lineHeight: 1.4, spaceAfter: 6),
                TextKind::Quotation->value => $quotation,
                TextKind::ListItem->value => $plain->with(spaceAfter: $body->spaceAfter / 2),
                TextKind::Table->value => $tight->with(size: $body->size * 0.92),
                TextKind::Caption->value => $tight->with(size: $body->size * 0.9, spaceBefore: 4, spaceAfter: 8),
                TextKind::Code->value => $tight->with(
                    face: Typeface::Mono,
                    size: $body->size * 0.82,
                    spaceBefore: 10,
                    spaceAfter: 10,
                ),
                TextKind::Footnote->value => $tight->with(size: $body->size * 0.84, spaceAfter: 2),
                TextKind::ContentsTitle->value => $heading->with(
                    size: $sizes[1] * 1.15,
                    lineHeight: 1.25,
                    spaceBefore: 14,
                    spaceAfter: 10,
                ),
                TextKind::RunningLine->value => $tight->with(size: $body->size * 0.84),
            ],
            $headings,
            $lines,
        );
    }
}
