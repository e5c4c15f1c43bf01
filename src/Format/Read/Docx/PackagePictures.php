<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\Package\ZipPackage;
use Stemmata\Format\Read\Pictures;

/** Pictures that lie in the package, found by their relationship. */
final readonly class PackagePictures
{
    private Pictures $pictures;

    public function __construct(private DocumentBuilder $builder, private ZipPackage $package)
    {
        $this->pictures = new Pictures($builder);
    }

    public function source(Relations $relations, string $id): string
    {
        if ($relations->isOutside($id)) {
            $address = (string) $relations->findAddress($id);
            $this->builder->note(ImportNote::PictureOutside, $address);

            return str_starts_with($address, 'http') && strlen($address) < 2000 ? $address : '';
        }
        $part = $relations->findPart($id) ?? '';

        return $this->pictures->source('' === $part ? null : $this->package->find($part), basename($part));
    }
}
