<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Style\TextStyle;
use Stemmata\Format\Shared\KindStyle;

/** The styles of the file (ECMA-376-1, 17.7). Those that programs know bear the names that programs know. */
final class StylesPart
{
    /** Of the extension that numerals need; programs that do not know it pass over it (ECMA-376-3). */
    /** For what is an extension of the format, which readers without it pass over. */
    public const MORE_NAMES = ' xmlns:mc="http://schemas.openxmlformats.org/markup-compatibility/2006" xmlns:w14="http://schemas.microsoft.com/office/word/2010/wordml" mc:Ignorable="w14"';
    private const TABS = '<w:tabs><w:tab w:val="right" w:leader="dot" w:pos="9070"/></w:tabs>';

    /** @param list<string> $languages of code in the text */
    public static function toXml(HouseStyle $style, string $language, Numbering $numbering, array $languages): string
    {
        $headings = '';
        $lines = '';
        for ($level = 1; $level <= 9; ++$level) {
            $heading = $style->of(TextKind::Heading, $level);
            $headings .= sprintf(
                '<w:style w:type="paragraph" w:styleId="Heading%1$d"><w:name w:val="heading %1$d"/><w:basedOn w:val="Normal"/><w:next w:val="Normal"/><w:uiPriority w:val="9"/><w:qFormat/><w:pPr>%2$s<w:outlineLvl w:val="%3$d"/></w:pPr><w:rPr>%4$s</w:rPr></w:style>',
                $level,
                LookOf::paragraph(
                    $heading,
                    $numbering->isNumbered($level - 1) ? Numbering::properties(Numbering::HEADINGS, $level - 1) : '',
                    hyphenates: $style->hyphenates(),
                ),
                $level - 1,
                LookOf::run($heading),
            );
            $line = $style->of(TextKind::ContentsLine, $level);
            $lines .= sprintf(
                '<w:style w:type="paragraph" w:styleId="TOC%1$d"><w:name w:val="toc %1$d"/><w:basedOn w:val="Normal"/><w:next w:val="Normal"/><w:uiPriority w:val="39"/><w:pPr>%2$s</w:pPr><w:rPr>%3$s</w:rPr></w:style>',
                $level,
                LookOf::paragraph($line, tabs: self::TABS, hyphenates: $style->hyphenates()),
                LookOf::run($line),
            );
        }
        $looks = [];
        foreach ($style->looks as $name => $look) {
            $looks['{' . $name . ' paragraph}'] = LookOf::paragraph($look, hyphenates: $style->hyphenates());
            $looks['{' . $name . ' run}'] = LookOf::run($look);
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
            '{more names}' => $style->isChanged ? self::MORE_NAMES : '',
            '{language}' => Xml::escaped($language),
            '<!-- headings -->' => $headings,
            '<!-- contents -->' => $lines,
            '<!-- code -->' => $code,
            '<!-- own -->' => $style->isChanged ? self::changed($style) . self::own($style) : '',
            '{head paragraph}' => $style->isChanged
                ? LookOf::paragraph(
                    $style->of(TextKind::TableHead)->with(keepWithNext: true),
                    hyphenates: $style->hyphenates(),
                )
                : '<w:keepNext/>',
            '{own body run}' => $style->isChanged
                ? '<w:rPr>' . LookOf::run($style->of(TextKind::Body)) . '</w:rPr>'
                : '',
            '{head run}' => $style->isChanged
                ? '<w:rPr>' . LookOf::run($style->of(TextKind::TableHead)) . '</w:rPr>'
                : '',
            ...$looks,
        ]);
    }

    /** Styles that only a writer’s own style sheet tells apart. */
    private static function changed(HouseStyle $style): string
    {
        $xml =
            self::style(
                'FirstParagraph',
                'First Paragraph',
                'Normal',
                $style->of(TextKind::FirstParagraph),
                $style->hyphenates(),
            ) . self::style('Formula', 'Formula', 'Normal', $style->of(TextKind::Formula), $style->hyphenates());
        for ($depth = 2; $depth <= 9; ++$depth) {
            $xml .= self::style(
                'ListParagraph' . $depth,
                'List Paragraph ' . $depth,
                'ListParagraph',
                $style->of(TextKind::ListItem, $depth),
                $style->hyphenates(),
            );
        }

        return $xml;
    }

    /** Kinds of the writer’s own, by the names that the writer gave them. */
    private static function own(HouseStyle $style): string
    {
        $xml = '';
        foreach ($style->own as $name => $look) {
            $xml .= self::style(
                KindStyle::id($name),
                $style->labels[$name] ?? $name,
                'Normal',
                $look,
                $style->hyphenates(),
            );
        }
        foreach ($style->words as $name => $look) {
            $xml .= sprintf(
                '<w:style w:type="character" w:customStyle="1" w:styleId="%s"><w:name w:val="%s"/><w:basedOn w:val="DefaultParagraphFont"/><w:qFormat/><w:rPr>%s</w:rPr></w:style>',
                KindStyle::id($name),
                Xml::escaped($style->labels[$name] ?? $name),
                LookOf::words($look, $style->of(TextKind::Body)->size),
            );
        }

        return $xml;
    }

    private static function style(string $id, string $name, string $basedOn, TextStyle $look, bool $hyphenates): string
    {
        return sprintf(
            '<w:style w:type="paragraph" w:customStyle="1" w:styleId="%s"><w:name w:val="%s"/><w:basedOn w:val="%s"/><w:qFormat/><w:pPr>%s</w:pPr><w:rPr>%s</w:rPr></w:style>',
            $id,
            Xml::escaped($name),
            $basedOn,
            LookOf::paragraph($look, hyphenates: $hyphenates),
            LookOf::run($look),
        );
    }

    /** The style of code in a language; its name holds only letters and digits, whatever the language is called. */
    public static function codeStyle(string $language): string
    {
        return 'SourceCode' . ('' === $language ? '' : ucfirst(bin2hex($language)));
    }
}
