<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

/** Small packages written part by part, as the standards describe them, so that a test can show what it reads. */
final class Packed
{
    /** The head of a picture, which is all that a reader looks at. */
    public const PNG = "\x89PNG\r\n\x1a\n";

    private const W = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships" xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing" xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" xmlns:m="http://schemas.openxmlformats.org/officeDocument/2006/math"';
    private const ODF = 'xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:fo="urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0" xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0"';

    /**
     * A word-processing package after ECMA-376.
     *
     * @param string                $body      what stands in w:body
     * @param string                $styles    what stands in w:styles
     * @param string                $numbering what stands in w:numbering
     * @param string                $footnotes what stands in w:footnotes
     * @param array<string, string> $links     addresses by relationship id
     * @param array<string, string> $pictures  bytes by relationship id
     */
    public static function docx(
        string $body,
        string $styles = '',
        string $numbering = '',
        string $footnotes = '',
        array $links = [],
        array $pictures = [],
    ): string {
        $relation = static fn(string $id, string $type, string $target, string $mode = ''): string => sprintf(
            '<Relationship Id="%s" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/%s" Target="%s"%s/>',
            $id,
            $type,
            htmlspecialchars($target),
            $mode,
        );
        $relations =
            $relation('s', 'styles', 'styles.xml') .
            $relation('n', 'numbering', 'numbering.xml') .
            $relation('f', 'footnotes', 'footnotes.xml');
        foreach ($links as $id => $address) {
            $relations .= $relation($id, 'hyperlink', $address, ' TargetMode="External"');
        }
        $media = [];
        foreach ($pictures as $id => $bytes) {
            $relations .= $relation($id, 'image', 'media/' . $id);
            $media['word/media/' . $id] = $bytes;
        }
        $wrapped = static fn(string $name, string $content): string => '<?xml version="1.0" encoding="UTF-8"?><w:' .
            $name .
            ' ' .
            self::W .
            '>' .
            $content .
            '</w:' .
            $name .
            '>';
        $list = static fn(
            string $content,
        ): string => '<?xml version="1.0" encoding="UTF-8"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">' .
            $content .
            '</Relationships>';

        return self::zip([
            '[Content_Types].xml' =>
                '<?xml version="1.0" encoding="UTF-8"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>',
            '_rels/.rels' => $list($relation('d', 'officeDocument', 'word/document.xml')),
            'word/_rels/document.xml.rels' => $list($relations),
            'word/document.xml' => $wrapped('document', '<w:body>' . $body . '</w:body>'),
            'word/styles.xml' => $wrapped('styles', $styles),
            'word/numbering.xml' => $wrapped('numbering', $numbering),
            'word/footnotes.xml' => $wrapped('footnotes', $footnotes),
            ...$media,
        ]);
    }

    /**
     * A text package after OASIS ODF 1.3.
     *
     * @param string                $body   what stands in office:text
     * @param string                $styles what stands in office:automatic-styles
     * @param string                $common what stands in office:styles, in a part of its own; empty for none
     * @param array<string, string> $parts  further parts, pictures for instance, by name
     */
    public static function odt(string $body, string $styles = '', string $common = '', array $parts = []): string
    {
        $styled =
            '' === $common
                ? []
                : [
                    'styles.xml' =>
                        '<?xml version="1.0" encoding="UTF-8"?><office:document-styles ' .
                        self::ODF .
                        ' office:version="1.3"><office:styles>' .
                        $common .
                        '</office:styles></office:document-styles>',
                ];

        return self::zip([
            'mimetype' => 'application/vnd.oasis.opendocument.text',
            'META-INF/manifest.xml' =>
                '<?xml version="1.0" encoding="UTF-8"?><manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0" manifest:version="1.3"><manifest:file-entry manifest:full-path="/" manifest:media-type="application/vnd.oasis.opendocument.text"/><manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/></manifest:manifest>',
            'content.xml' =>
                '<?xml version="1.0" encoding="UTF-8"?><office:document-content ' .
                self::ODF .
                ' office:version="1.3"><office:automatic-styles>' .
                $styles .
                '</office:automatic-styles><office:body><office:text>' .
                $body .
                '</office:text></office:body></office:document-content>',
            ...$styled,
            ...$parts,
        ]);
    }

    /**
     * An e-book after EPUB 3.3.
     *
     * @param array<string, string> $pages what stands in body, or the whole page, by file name, in reading order
     * @param string                $toc   what stands in the ol of the navigation; empty for none
     * @param array<string, string> $parts further parts, pictures for instance, by name
     */
    public static function epub(array $pages, string $title = 'Book', string $toc = '', array $parts = []): string
    {
        $page = static fn(
            string $body,
        ): string => '<?xml version="1.0" encoding="UTF-8"?><html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops"><head><title>x</title></head><body>' .
            $body .
            '</body></html>';
        $items = '<item id="nav" href="nav.xhtml" media-type="application/xhtml+xml" properties="nav"/>';
        $spine = '';
        foreach (array_keys($pages) as $index => $name) {
            $items .= sprintf('<item id="p%d" href="%s" media-type="application/xhtml+xml"/>', $index, $name);
            $spine .= sprintf('<itemref idref="p%d"/>', $index);
            $parts['book/' . $name] = str_starts_with($pages[$name], '<html') ? $pages[$name] : $page($pages[$name]);
        }

        return self::zip([
            'mimetype' => 'application/epub+zip',
            'META-INF/container.xml' =>
                '<?xml version="1.0"?><container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="book/package.opf" media-type="application/oebps-package+xml"/></rootfiles></container>',
            'book/package.opf' =>
                '<?xml version="1.0"?><package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="id"><metadata xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:identifier id="id">x</dc:identifier><dc:title>' .
                htmlspecialchars($title) .
                '</dc:title><dc:language>en</dc:language></metadata><manifest>' .
                $items .
                '</manifest><spine>' .
                $spine .
                '</spine></package>',
            'book/nav.xhtml' => $page(
                '<nav epub:type="toc"><ol>' .
                    ($toc ?: '<li><a href="' . array_key_first($pages) . '">Start</a></li>') .
                    '</ol></nav>',
            ),
            ...$parts,
        ]);
    }

    /** @return array<string, string> the parts of a packed file, by name */
    public static function parts(string $bytes): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'stemmata');
        file_put_contents($file, $bytes);
        $zip = new \ZipArchive();
        $zip->open($file);
        $parts = [];
        for ($index = 0; $index < $zip->numFiles; ++$index) {
            $parts[(string) $zip->getNameIndex($index)] = (string) $zip->getFromIndex($index);
        }
        $zip->close();
        unlink($file);

        return $parts;
    }

    /** @param array<string, string> $parts */
    public static function zip(array $parts): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'stemmata');
        $zip = new \ZipArchive();
        $zip->open($file, \ZipArchive::OVERWRITE);
        foreach ($parts as $name => $content) {
            $zip->addFromString($name, $content);
        }
        $zip->close();
        $bytes = (string) file_get_contents($file);
        unlink($file);

        return $bytes;
    }
}
