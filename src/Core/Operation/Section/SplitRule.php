<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Section;

/** By what a long text is cut into sections. */
enum SplitRule: string
{
    /** Lines that begin with “Chapter”, “Part” and their like and a number; each becomes a heading. */
    case ChapterLines = 'chapter-lines';
    /** Lines that begin with a number, such as “2.1 Soils”; each becomes a heading. */
    case NumberedLines = 'numbered-lines';
    /** Separators, and lines of nothing but stars or dashes, which go. */
    case Separators = 'separators';
    /** Page breaks, which go. */
    case PageBreaks = 'page-breaks';
    /** After so many words, where a paragraph ends. */
    case Words = 'words';
}
