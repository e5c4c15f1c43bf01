<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Text\Picture;

/** Pictures of a file, each as an address that holds it until the builder takes it out of the text. */
final class Pictures
{
    /** All pictures of a document together, before they are encoded. */
    private const MAX_IN_ALL = 96 * 1024 * 1024;

    private int $bytes = 0;

    public function __construct(private readonly DocumentBuilder $builder) {}

    /** @return string the picture as a data address; empty, with a note, when it cannot be kept */
    public function source(?string $bytes, string $name): string
    {
        if (null === $bytes || '' === $bytes) {
            $this->builder->note(ImportNote::PictureMissing, $name);

            return '';
        }
        if (strlen($bytes) > Picture::MAX_BYTES || $this->bytes + strlen($bytes) > self::MAX_IN_ALL) {
            $this->builder->note(ImportNote::PictureTooLarge, $name);

            return '';
        }
        $picture = Picture::findIn($bytes);
        if (null === $picture) {
            $this->builder->note(ImportNote::PictureOfOtherKind, $name);

            return '';
        }
        if ($picture->countDots() > Picture::MAX_DOTS) {
            $this->builder->note(ImportNote::PictureTooLarge, $name);

            return '';
        }
        $this->bytes += strlen($bytes);

        return $picture->dataAddress();
    }
}
