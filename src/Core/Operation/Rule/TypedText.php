<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\PicturesApart;

/** A section whose heading or text came from outside enters the document. Pictures in it are kept beside the texts. */
final class TypedText
{
    public static function in(Document $document, Section $section): Document
    {
        $apart = new PicturesApart();
        $heading = $apart->of($section->heading->inline);
        $blocks = $apart->of($section->body->blocks);
        if ([] === $apart->pictures) {
            return $document->withSection($section);
        }

        return $document
            ->withPictures($apart->pictures)
            ->withSection($section->withHeading(Heading::ofInline($heading))->withBody(Body::of($blocks)));
    }
}
