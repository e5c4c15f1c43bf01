<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

/** What a PDF keeps to: ISO 14289-1 (PDF/UA-1, for everyone to read), ISO 19005-2 (PDF/A, for archives), or plain tags. */
enum PdfStandard: string
{
    case Accessible = 'ua-1';
    case Archive = 'a-2u';
    case Tagged = 'tagged';
}
