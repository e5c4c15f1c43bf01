<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Odt;

use Stemmata\Core\Formula\MathMl;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\ZipPackage;
use Stemmata\Format\Read\Pictures;
use Stemmata\Format\Shared\FormulaMarkup;

/** Pictures and formulas in frames: parts of the package, or written into the markup itself. */
final readonly class PackagePictures
{
    private Pictures $pictures;

    public function __construct(private DocumentBuilder $builder, private ZipPackage $package)
    {
        $this->pictures = new Pictures($builder);
    }

    /** @return array{src: string, alt: string}|null null for a frame without a picture */
    public function picture(\DOMElement $frame): ?array
    {
        $image = Xml::descendant($frame, 'image');
        if (null === $image || null !== Xml::descendant($frame, 'object')) {
            return null;
        }
        $alt =
            trim(Xml::child($frame, 'desc')->textContent ?? '') ?: trim(Xml::child($frame, 'title')->textContent ?? '');

        return ['src' => $this->source($image), 'alt' => $alt];
    }

    /** A formula in a frame, which is a part of the package of its own; null for anything else. */
    public function findFormula(\DOMElement $frame): ?Node
    {
        $object = Xml::descendant($frame, 'object');
        $math = Xml::descendant($frame, 'math');
        $name = (string) preg_replace('~\A\./|/\z~', '', rawurldecode(Xml::attribute($object, 'href') ?? ''));
        if (null === $math && '' !== $name && $this->package->has($name . '/content.xml')) {
            $math = MathMl::findRoot(
                // Office programs name a document type that nobody needs.
                (string) preg_replace('/<!DOCTYPE[^>\[]*>/', '', $this->package->find($name . '/content.xml') ?? ''),
            );
        }

        if (null === $math) {
            return null;
        }
        $source = FormulaMarkup::findSource($math);

        return null === $source ? null : Node::formula($source, 'block' === $math->getAttribute('display'));
    }

    private function source(\DOMElement $image): string
    {
        $inline = Xml::child($image, 'binary-data');
        if (null !== $inline) {
            return $this->pictures->source(
                base64_decode((string) preg_replace('/\s+/', '', $inline->textContent), true) ?: null,
                '',
            );
        }
        $href = Xml::attribute($image, 'href') ?? '';
        if (1 === preg_match('/\Ahttps?:/i', $href)) {
            $this->builder->note(ImportNote::PictureOutside, $href);

            return strlen($href) < 2000 ? $href : '';
        }
        $name = (string) preg_replace('~\A\./~', '', rawurldecode($href));

        return $this->pictures->source(
            $this->package->has($name) ? $this->package->find($name) : null,
            basename($name),
        );
    }
}
