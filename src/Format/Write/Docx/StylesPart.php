<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

/** The styles of the file (ECMA-376-1, 17.7). Those that programs know bear the names that programs know. */
final class StylesPart
{
    /** Half points, by level of heading. */
    private const SIZES = [1 => 36, 30, 26, 24, 23, 22, 22, 22, 22];

    /** @param list<string> $languages of code in the text */
    public static function toXml(string $language, Numbering $numbering, array $languages): string
    {
        $headings = '';
        $lines = '';
        foreach (self::SIZES as $level => $size) {
            $headings .= sprintf(
                '<w:style w:type="paragraph" w:styleId="Heading%1$d"><w:name w:val="heading %1$d"/><w:basedOn w:val="Normal"/><w:next w:val="Normal"/><w:uiPriority w:val="9"/><w:qFormat/><w:pPr><w:keepNext/><w:keepLines/>%2$s<w:spacing w:before="%3$d" w:after="120" w:line="264" w:lineRule="auto"/><w:outlineLvl w:val="%4$d"/></w:pPr><w:rPr>%5$s<w:sz w:val="%6$d"/><w:szCs w:val="%6$d"/></w:rPr></w:style>',
                $level,
                $numbering->isNumbered($level - 1) ? Numbering::asked(Numbering::HEADINGS, $level - 1) : '',
                $level > 2 ? 280 : 420,
                $level - 1,
                $level > 5 ? '<w:i/>' : '<w:b/>',
                $size,
            );
            $lines .= sprintf(
                '<w:style w:type="paragraph" w:styleId="TOC%1$d"><w:name w:val="toc %1$d"/><w:basedOn w:val="Normal"/><w:next w:val="Normal"/><w:uiPriority w:val="39"/><w:pPr><w:tabs><w:tab w:val="right" w:leader="dot" w:pos="9070"/></w:tabs><w:spacing w:after="60"/><w:ind w:left="%2$d"/></w:pPr></w:style>',
                $level,
                ($level - 1) * 280,
            );
        }
        $code = implode(
            '',
            array_map(
                static fn(string $each): string => sprintf(
                    '<w:style w:type="paragraph" w:customStyle="1" w:styleId="%s"><w:name w:val="%s"/><w:basedOn w:val="SourceCode"/></w:style>',
                    self::codeStyle($each),
                    Xml::escaped('Source Code ' . $each),
                ),
                $languages,
            ),
        );

        return strtr((string) file_get_contents(__DIR__ . '/styles.xml'), [
            '{language}' => Xml::escaped($language),
            '<!-- headings -->' => $headings,
            '<!-- contents -->' => $lines,
            '<!-- code -->' => $code,
        ]);
    }

    /** The style of code in a language; its name holds only letters and digits, whatever the language is called. */
    public static function codeStyle(string $language): string
    {
        return 'SourceCode' . ('' === $language ? '' : ucfirst(bin2hex($language)));
    }
}
