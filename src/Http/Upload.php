<?php

declare(strict_types=1);

namespace Stemmata\Http;

use Stemmata\Format\Formats;
use Symfony\Component\HttpFoundation\Request;

/** A file sent as the body of a request. */
final class Upload
{
    public static function bytes(Request $request): string
    {
        if ((int) $request->headers->get('Content-Length', '0') > Formats::MAX_BYTES) {
            throw ProblemException::tooLarge(Formats::MAX_BYTES);
        }

        return $request->getContent();
    }
}
