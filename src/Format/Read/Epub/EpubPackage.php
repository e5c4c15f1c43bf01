<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Epub;

use Stemmata\Format\Read\Html\HtmlReader;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;
use Stemmata\Format\Read\Package\ZipPackage;
use Stemmata\Format\Shared\FormatException;

/**
 * The package document (EPUB 3.3, 5; OPF 2.0.1): what the book says of itself, its parts, and the order in which they
 * are read.
 */
final readonly class EpubPackage
{
    /** Fonts may be made unreadable outside the book without its text being locked (EPUB OCF 3.3, 4.4). */
    private const SCRAMBLED_FONT = '~<(?:\w+:)?CipherReference\b[^>]*\bURI\s*=\s*["\'][^"\']+\.(?:otf|ttf|ttc|woff2?)["\']~i';

    /**
     * @param array<string, list<string>> $metadata by name
     * @param list<string>                $spine    paths of the pages, in reading order
     */
    private function __construct(
        public ZipPackage $zip,
        public array $metadata,
        public array $spine,
        public ?string $navigation,
        public ?string $ncx,
    ) {}

    /** @throws FormatException */
    public static function open(string $bytes): self
    {
        $zip = ZipPackage::open($bytes);
        $encryption = (string) $zip->find('META-INF/encryption.xml');
        if (
            preg_match_all('/<(?:\w+:)?EncryptionMethod\b/', $encryption) >
            preg_match_all(self::SCRAMBLED_FONT, $encryption)
        ) {
            throw FormatException::isEncrypted();
        }
        $container = XmlPart::small(
            $zip->find('META-INF/container.xml') ?? throw FormatException::missingPart('META-INF/container.xml'),
        );
        $path =
            null === $container->documentElement
                ? ''
                : Xml::descendant($container->documentElement, 'rootfile')?->getAttribute('full-path') ?? '';
        $opf = XmlPart::small(self::withoutDoctype($zip->find($path) ?? throw FormatException::missingPart($path)))
            ->documentElement;
        $folder = str_contains($path, '/') ? substr($path, 0, (int) strrpos($path, '/') + 1) : '';

        return self::ofPackageDocument($zip, $opf ?? throw FormatException::damagedMarkup(), $folder);
    }

    /** A page as a tree, whether it is well-formed or not. */
    public function page(string $path): ?\DOMDocument
    {
        $xhtml = $this->zip->find($path);
        if (null === $xhtml) {
            return null;
        }
        $plain = self::withoutDoctype((string) preg_replace('~\sxmlns="http://www\.w3\.org/1999/xhtml"~', '', $xhtml));
        $plain = (string) preg_replace_callback(
            '/&([A-Za-z][A-Za-z0-9]*);/',
            static fn(array $match): string => in_array($match[1], ['amp', 'lt', 'gt', 'quot', 'apos'], true)
                ? $match[0]
                : htmlspecialchars(html_entity_decode($match[0], \ENT_HTML5), \ENT_XML1),
            $plain,
        );
        $before = libxml_use_internal_errors(true);
        $page = new \DOMDocument();
        $isRead = '' !== trim($plain) && $page->loadXML($plain, \LIBXML_NONET | \LIBXML_COMPACT);
        libxml_clear_errors();
        libxml_use_internal_errors($before);

        return $isRead ? $page : HtmlReader::page(mb_scrub($xhtml));
    }

    /** @return array<string, true> places that links of any page lead to, by file and id */
    public function placesLedTo(): array
    {
        $places = [];
        foreach ($this->spine as $path) {
            preg_match_all('/\bhref\s*=\s*["\']([^"\'#]*#[^"\']+)["\']/i', (string) $this->zip->find($path), $links);
            foreach ($links[1] as $href) {
                $places[implode('#', self::resolved(html_entity_decode($href), $path))] = true;
            }
        }

        return $places;
    }

    public function first(string $name): string
    {
        return $this->metadata[$name][0] ?? '';
    }

    /** @return array{string, string} the path that an address on a page leads to, and the name of the place there */
    public static function resolved(string $href, string $from): array
    {
        [$path, $fragment] = [...explode('#', $href, 2), ''];
        if ('' === $path) {
            return [$from, $fragment];
        }
        $steps = explode('/', $from);
        array_pop($steps);
        foreach (explode('/', rawurldecode($path)) as $step) {
            if ('..' === $step) {
                array_pop($steps);
            } elseif ('' !== $step && '.' !== $step) {
                $steps[] = $step;
            }
        }

        return [implode('/', $steps), $fragment];
    }

    private static function ofPackageDocument(ZipPackage $zip, \DOMElement $opf, string $folder): self
    {
        $metadata = [];
        $spoken = Xml::child($opf, 'metadata');
        foreach (null === $spoken ? [] : $spoken->getElementsByTagName('*') as $entry) {
            $words = trim((string) preg_replace('/\s+/u', ' ', $entry->textContent));
            if ('' !== $words && null !== $entry->localName && 'meta' !== $entry->localName) {
                $metadata[$entry->localName][] = $words;
            }
        }
        $paths = [];
        $navigation = null;
        $pages = [];
        $manifest = Xml::child($opf, 'manifest');
        foreach (null === $manifest ? [] : Xml::children($manifest) as $item) {
            [$path] = self::resolved($item->getAttribute('href'), $folder . 'package');
            $paths[$item->getAttribute('id')] = $path;
            $pages[$item->getAttribute('id')] = 1 === preg_match('~xhtml|html~', $item->getAttribute('media-type'));
            if (in_array('nav', explode(' ', $item->getAttribute('properties')), true)) {
                $navigation = $path;
            }
        }
        $spine = Xml::child($opf, 'spine');
        $order = [];
        foreach (null === $spine ? [] : Xml::children($spine) as $reference) {
            $id = $reference->getAttribute('idref');
            if (isset($paths[$id]) && $pages[$id]) {
                $order[] = $paths[$id];
            }
        }

        return new self(
            $zip,
            $metadata,
            $order,
            $navigation,
            null === $spine ? null : $paths[$spine->getAttribute('toc')] ?? null,
        );
    }

    private static function withoutDoctype(string $xml): string
    {
        return (string) preg_replace('/<!DOCTYPE[^>\[]*(?:\[.*?\]\s*)?>/is', '', $xml, 1);
    }
}
