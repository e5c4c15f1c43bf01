<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

/** Signs that mean something in XML, written so that they do not. */
final class Xml
{
    public const HEAD = "<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n";
    /** The names of a part of running text: the body, the notes. */
    public const NAMES = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships" xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing" xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" xmlns:pic="http://schemas.openxmlformats.org/drawingml/2006/picture" xmlns:m="http://schemas.openxmlformats.org/officeDocument/2006/math"';

    /**
     * What XML 1.0 (2.2) does not take for a character, from wherever it came, is written as one that stands for the
     * unknown.
     */
    public static function escaped(string $text): string
    {
        return htmlspecialchars($text, \ENT_QUOTES | \ENT_SUBSTITUTE | \ENT_DISALLOWED | \ENT_XML1);
    }
}
