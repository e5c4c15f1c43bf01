<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Style\KindDefinition;
use Stemmata\Core\Style\StyleProperty;
use Stemmata\Format\Write\DocumentWriter;

/** Writes an Office Open XML text document (ECMA-376, transitional), the body as a stream. */
final class DocxWriter implements DocumentWriter
{
    /** What files of this format can say. */
    private const WEIGHTS = ['400', '700'];
    private const MAIN = 'application/vnd.openxmlformats-officedocument.wordprocessingml';

    /** Twentieths of a point: A4 with margins of 2.5 cm. */
    public function endings(): array
    {
        return ['docx'];
    }

    public function passesOver(Document $document): array
    {
        $weights = array_filter(
            $document->setup->sheet()->kinds,
            static fn(KindDefinition $kind): bool => !in_array(
                $kind->said[StyleProperty::Weight->value] ?? '400',
                self::WEIGHTS,
                true,
            ),
        );

        return [
            ...$document->setup->pages()->saysRunningLines()
                ? ['Headers and footers are not written into office files yet.']
                : [],
            ...[] === $weights
                ? []
                : [
                    'Office files know regular and bold letters only: from a weight of 600 on they are bold, below it regular.',
                ],
        ];
    }

    public function mediaType(): string
    {
        return self::MAIN . '.document';
    }

    public function write(Rendition $rendition): iterable
    {
        $package = new Package();
        $media = new Media();
        $places = new Places($rendition);
        $notes = new Notes($rendition, $places, $media);
        $relationships = new Relationships();
        foreach (['styles', 'numbering', 'settings', 'footnotes'] as $part) {
            $relationships->part($part, $part . '.xml');
        }
        $numbering = new Numbering($rendition);
        $blocks = new Blocks(
            $rendition,
            new Runs($rendition, $places, $relationships, $media, $notes),
            $numbering,
            $places,
        );

        $package->add('[Content_Types].xml', [self::contentTypes()]);
        $package->add('_rels/.rels', [self::packageRelationships()]);
        $package->add('word/document.xml', self::body($rendition, $blocks));
        $package->add('word/styles.xml', [
            StylesPart::toXml(
                $rendition->document->setup->style(),
                $rendition->titleBlock()->language,
                $numbering,
                $blocks->languages(),
            ),
        ]);
        $package->add('word/numbering.xml', [$numbering->toXml()]);
        $package->add('word/settings.xml', [self::settings($rendition->document->setup->style()->hyphenates())]);
        $package->add('word/footnotes.xml', $notes->toXml());
        $package->add('word/_rels/document.xml.rels', [$relationships->toXml()]);
        $package->add('word/_rels/footnotes.xml.rels', [$notes->relationships->toXml()]);
        foreach ($media->parts() as $name => $bytes) {
            $package->add($name, [$bytes]);
        }
        $package->add('docProps/core.xml', [self::properties($rendition->titleBlock())]);

        yield from $package->portions();
    }

    /** @return iterable<string> */
    private static function body(Rendition $rendition, Blocks $blocks): iterable
    {
        $isByHand = static fn(References $each): bool => $each->byHand > 0;
        $more = [] === array_filter($rendition->document->references(), $isByHand) ? '' : StylesPart::MORE_NAMES;
        yield Xml::HEAD . '<w:document ' . Xml::NAMES . $more . '><w:body>' . $blocks->titlePage();
        foreach ($rendition->sections() as $section) {
            yield $blocks->section($section);
        }
        yield self::page($rendition->document->setup->pages()) . '</w:body></w:document>';
    }

    private static function page(PageSetup $pages): string
    {
        [$width, $height] = $pages->paper->size();
        $twips = static fn(float $millimetres): int => (int) round(($millimetres * 1440) / 25.4);

        return sprintf(
            '<w:sectPr><w:pgSz w:w="%d" w:h="%d"/><w:pgMar w:top="%d" w:right="%d" w:bottom="%d" w:left="%d" w:header="709" w:footer="709" w:gutter="0"/></w:sectPr>',
            $twips($width),
            $twips($height),
            $twips($pages->margins->top),
            $twips($pages->margins->outer),
            $twips($pages->margins->bottom),
            $twips($pages->margins->inner),
        );
    }

    private static function contentTypes(): string
    {
        $parts = [
            'document' => 'document.main',
            'styles' => 'styles',
            'numbering' => 'numbering',
            'settings' => 'settings',
            'footnotes' => 'footnotes',
        ];
        $overrides = '';
        foreach ($parts as $part => $type) {
            $overrides .= sprintf(
                '<Override PartName="/word/%s.xml" ContentType="%s.%s+xml"/>',
                $part,
                self::MAIN,
                $type,
            );
        }

        return Xml::HEAD .
            '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/>' .
            implode('', Media::types()) .
            $overrides .
            '<Override PartName="/docProps/core.xml" ContentType="application/vnd.openxmlformats-package.core-properties+xml"/></Types>';
    }

    private static function packageRelationships(): string
    {
        return Xml::HEAD .
            '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/><Relationship Id="rId2" Type="http://schemas.openxmlformats.org/package/2006/relationships/metadata/core-properties" Target="docProps/core.xml"/></Relationships>';
    }

    private static function settings(bool $hyphenates): string
    {
        return Xml::HEAD .
            '<w:settings ' .
            Xml::NAMES .
            '>' .
            ($hyphenates ? '<w:autoHyphenation/>' : '') .
            '<w:footnotePr><w:footnote w:id="-1"/><w:footnote w:id="0"/></w:footnotePr><w:compat><w:compatSetting w:name="compatibilityMode" w:uri="http://schemas.microsoft.com/office/word" w:val="15"/></w:compat></w:settings>';
    }

    private static function properties(TitleBlock $block): string
    {
        return Xml::HEAD .
            sprintf(
                '<cp:coreProperties xmlns:cp="http://schemas.openxmlformats.org/package/2006/metadata/core-properties" xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>%s</dc:title><dc:creator>%s</dc:creator><dc:language>%s</dc:language></cp:coreProperties>',
                Xml::escaped($block->title),
                Xml::escaped($block->author),
                Xml::escaped($block->language),
            );
    }
}
