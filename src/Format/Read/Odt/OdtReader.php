<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Odt;

use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Format\Formats;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\DocumentReader;
use Stemmata\Format\Read\Html\HtmlTitle;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;
use Stemmata\Format\Read\Package\ZipPackage;
use Stemmata\Format\Read\ReadResult;
use Stemmata\Format\Shared\FormatException;

/** Reads OpenDocument text (OASIS ODF 1.2 and 1.3), the content as a stream. */
final readonly class OdtReader implements DocumentReader
{
    public function __construct(private IdSource $ids) {}

    public function endings(): array
    {
        return ['odt', 'ott'];
    }

    public function maxBytes(): int
    {
        return Formats::MAX_BYTES;
    }

    public function read(string $bytes): ReadResult
    {
        $package = ZipPackage::open($bytes);
        if (str_contains((string) $package->find('META-INF/manifest.xml'), 'encryption-data')) {
            throw FormatException::isEncrypted();
        }
        $stylesXml = $package->find('styles.xml');
        $styles = new Styles();
        $styles->read($stylesXml);
        $builder = new DocumentBuilder($this->ids);
        $body = new BodyReader(
            $builder,
            $styles,
            OutlineNumbering::read($stylesXml),
            new LineReader($builder, $styles, new PackagePictures($builder, $package)),
        );
        $body->read(XmlPart::childrenOf($package->fileOf('content.xml'), 'text', ['automatic-styles']));
        $body->finish();

        return $builder->finished($this->titleBlock($package, $body));
    }

    private function titleBlock(ZipPackage $package, BodyReader $body): TitleBlock
    {
        $xml = $package->find('meta.xml');
        $meta = null === $xml ? null : XmlPart::small($xml)->documentElement;
        $said = static fn(string $name): string => trim(
            null === $meta ? '' : Xml::descendant($meta, $name)->textContent ?? '',
        );

        return new TitleBlock(
            $body->titleLines->title ?? $said('title'),
            $body->titleLines->subtitle ?? '',
            $body->titleLines->author ?? ($said('initial-creator') ?: $said('creator')),
            language: HtmlTitle::languageOr($said('language'), 'en'),
            date: $body->titleLines->date ?? '',
        );
    }
}
