<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\TextKind;

/** The styles of the file (ECMA-376-1, 17.7). Those that programs know bear the names that programs know. */
final class StylesPart
{
    /** @param list<string> $languages of code in the text */
    public static function toXml(HouseStyle $style, string $language, Numbering $numbering, array $languages): string
    {
        $headings = '';
        $lines = '';
        for ($level = 1; $level <= 9; ++$level) {
            $heading = $style->of(TextKind::Heading, $level);
            $headings .= sprintf(
                '<w:style w:type="paragraph" w:styleId="Heading%1$d"><w:name w:val="heading %1$d"/><w:basedOn w:val="Normal"/><w:next w:val="Normal"/><w:uiPriority w:val="9"/><w:qFormat/><w:pPr><w:keepNext/><w:keepLines/>%2$s%3$s<w:outlineLvl w:val="%4$d"/></w:pPr><w:rPr>%5$s</w:rPr></w:style>',
                $level,
                $numbering->isNumbered($level - 1) ? Numbering::properties(Numbering::HEADINGS, $level - 1) : '',
                LookOf::paragraph($heading),
                $level - 1,
                LookOf::run($heading),
            );
            $line = $style->of(TextKind::ContentsLine, $level);
            $lines .= sprintf(
                '<w:style w:type="paragraph" w:styleId="TOC%1$d"><w:name w:val="toc %1$d"/><w:basedOn w:val="Normal"/><w:next w:val="Normal"/><w:uiPriority w:val="39"/><w:pPr><w:tabs><w:tab w:val="right" w:leader="dot" w:pos="9070"/></w:tabs>%2$s</w:pPr><w:rPr>%3$s</w:rPr></w:style>',
                $level,
                LookOf::paragraph($line),
                LookOf::run($line),
            );
        }
        $looks = [];
        foreach (TextKind::cases() as $kind) {
            if (!$kind->hasLevels()) {
                $looks['{' . $kind->value . ' paragraph}'] = LookOf::paragraph($style->of($kind));
                $looks['{' . $kind->value . ' run}'] = LookOf::run($style->of($kind));
            }
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
            ...$looks,
        ]);
    }

    /** The style of code in a language; its name holds only letters and digits, whatever the language is called. */
    public static function codeStyle(string $language): string
    {
        return 'SourceCode' . ('' === $language ? '' : ucfirst(bin2hex($language)));
    }
}
