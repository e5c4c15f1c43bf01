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
    private const HEAD_WEIGHT = 700;

    /** @return list<HouseStyle> the plain one first */
    public static function all(): array
    {
        return [
            self::reading(),
            self::academic(),
            self::report(),
            self::policy(),
            self::submission(),
            self::largePrint(),
        ];
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
        $body = new TextStyle(Typeface::StixTwo, 12, 2, alignment: Alignment::Start, firstLine: self::INCH / 2);

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
            $body->with(firstLine: 0, weight: 700, lineHeight: 1.25),
            [18, 14, 12.5, 12, 12, 12, 12, 12, 12],
            $body->with(
                lineHeight: 1.2,
                firstLine: 0,
                indentStart: self::INCH / 2,
                indentEnd: 0,
                spaceBefore: 10,
                spaceAfter: 14,
            ),
            indentsFirst: true,
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

    private static function policy(): HouseStyle
    {
        $body = new TextStyle(Typeface::Figtree, 11, 1.45, spaceAfter: 8);

        return self::style(
            'policy',
            'Policy',
            'Rules to be looked up: a plain face, headings in colour, a title page.',
            new PageSetup(Paper::A4, new Margins(25, 25, 28, 28), hasTitlePage: true, chapters: ChapterStart::NewPage),
            $body,
            $body->with(weight: 700, colour: '#1f4e5f', spaceAfter: 0),
            [22, 16, 13, 11.5, 11, 11, 11, 11, 11],
            $body->with(indentStart: 18, indentEnd: 18, spaceBefore: 4, spaceAfter: 10),
        );
    }

    /**
     * After common practice for texts that are sent to editors: 12-point letters, double-spaced, ragged on the right,
     * first lines indented 0.5 inch, margins of one inch, nothing hyphenated.
     */
    private static function submission(): HouseStyle
    {
        $body = new TextStyle(Typeface::StixTwo, 12, 2, firstLine: self::INCH / 2, hyphenation: Hyphenation::No);

        return self::style(
            'submission',
            'Submission',
            'For editors and agents: double-spaced, wide margins, nothing that distracts.',
            new PageSetup(Paper::A4, new Margins(25.4, 25.4, 25.4, 25.4), chapters: ChapterStart::NewPage),
            $body,
            $body->with(firstLine: 0, alignment: Alignment::Centred),
            [12, 12, 12, 12, 12, 12, 12, 12, 12],
            $body->with(firstLine: 0, indentStart: self::INCH / 2, indentEnd: self::INCH / 2),
            indentsFirst: true,
        );
    }

    /** After common practice for large print: 18 points or more, a plain face, ragged, no words broken, no italics in bulk. */
    private static function largePrint(): HouseStyle
    {
        $body = new TextStyle(Typeface::Hyperlegible, 18, 1.4, spaceAfter: 12, hyphenation: Hyphenation::No);

        return self::style(
            'large-print',
            'Large print',
            'For low sight: large letters of a clear face, no words broken.',
            new PageSetup(Paper::A4, new Margins(20, 20, 20, 20), chapters: ChapterStart::NewPage),
            $body,
            $body->with(weight: 700, spaceAfter: 0),
            [28, 24, 21, 19, 18, 18, 18, 18, 18],
            $body->with(indentStart: 24, spaceBefore: 4, spaceAfter: 14),
        );
    }

    /**
     * @param list<float> $sizes        of headings, by level from 1 on
     * @param bool        $indentsFirst whether the first paragraph under a heading is indented as well
     */
    private static function style(
        string $name,
        string $label,
        string $about,
        PageSetup $pages,
        TextStyle $body,
        TextStyle $heading,
        array $sizes,
        TextStyle $quotation,
        bool $indentsFirst = false,
    ): HouseStyle {
        $plain = $body->with(alignment: Alignment::Start, firstLine: 0, spaceAfter: 0);
        $tight = $plain->with(lineHeight: min($body->lineHeight, 1.35));
        $cell = $tight->with(size: $body->size * 0.92);
        $item = $plain->with(spaceAfter: $body->spaceAfter / 2);
        $headed = $heading->with(keepWithNext: true);
        $looks = [
            TextKind::Body->value => $body,
            TextKind::FirstParagraph->value => $indentsFirst ? $body : $body->with(firstLine: 0),
            TextKind::Title->value => $headed->with(size: $sizes[0] * 1.5, lineHeight: 1.2, spaceAfter: 10),
            TextKind::Subtitle->value => $plain->with(
                size: $sizes[1],
                lineHeight: 1.3,
                italic: true,
                spaceAfter: 8,
                keepWithNext: true,
            ),
            TextKind::TitleLine->value => $plain->with(lineHeight: 1.4, spaceAfter: 6),
            TextKind::Quotation->value => $quotation,
            TextKind::TableHead->value => $cell->with(weight: self::HEAD_WEIGHT),
            TextKind::TableCell->value => $cell,
            TextKind::Caption->value => $tight->with(size: $body->size * 0.9, spaceBefore: 4, spaceAfter: 8),
            TextKind::Code->value => $tight->with(
                face: Typeface::Mono,
                size: $body->size * 0.82,
                spaceBefore: 10,
                spaceAfter: 10,
            ),
            TextKind::Formula->value => $plain,
            TextKind::Footnote->value => $tight->with(size: $body->size * 0.84, spaceAfter: 2),
            TextKind::ContentsTitle->value => $headed->with(
                size: $sizes[1] * 1.15,
                lineHeight: 1.25,
                spaceBefore: 14,
                spaceAfter: 10,
            ),
            TextKind::RunningLine->value => $tight->with(size: $body->size * 0.84),
        ];
        foreach ($sizes as $index => $size) {
            $level = $index + 1;
            $looks[TextKind::Heading->named($level)] = $headed->with(
                size: $size,
                lineHeight: 1.25,
                italic: $level > 4,
                weight: $level > 4 ? 400 : $heading->weight,
                spaceBefore: $size * ($level < 3 ? 1.5 : 1.1),
                spaceAfter: $size * ($level < 3 ? 0.7 : 0.5),
                keepTogether: true,
            );
            $looks[TextKind::ListItem->named($level)] = $item;
            $looks[TextKind::ContentsLine->named($level)] = $tight->with(
                weight: 1 === $level ? $heading->weight : 400,
                indentStart: 14.0 * $index,
                spaceBefore: 1 === $level ? 5 : 0,
                spaceAfter: 2,
            );
        }

        return new HouseStyle($name, $label, $about, $pages, $looks);
    }
}
