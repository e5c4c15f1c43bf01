<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Text\Picture;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Shared\DataAddress;

/** A page that stands alone: what is not in it is out of reach. */
final readonly class SinglePage implements Surroundings
{
    /** Eight megabytes in base64. */
    private const LONGEST = 11_200_000;

    public function __construct(private DocumentBuilder $builder) {}

    public function anchor(string $id): string
    {
        return $id;
    }

    public function address(string $href): string
    {
        return $href;
    }

    public function isLedToFromElsewhere(string $id): bool
    {
        return false;
    }

    public function findNote(string $href): ?\DOMElement
    {
        return null;
    }

    public function picture(string $source): string
    {
        $source = DataAddress::settled($source);
        if (strlen($source) > self::LONGEST || Picture::isTooLarge($source)) {
            $this->builder->note(ImportNote::PictureTooLarge);

            return '';
        }
        if (!Picture::isAddress($source)) {
            $this->builder->note(ImportNote::PictureOfOtherKind, $source);

            return '';
        }
        if ('' !== $source && !str_starts_with($source, 'data:') && null === Picture::findHash($source)) {
            $this->builder->note(ImportNote::PictureOutside, $source);
        }

        return $source;
    }
}
