<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

/** What a writer notes about a section beside its text. */
enum SectionDetail: string
{
    case Aim = 'aim';
    case Target = 'target';
    case Marker = 'marker';
    case Stage = 'stage';
    case Look = 'look';
    case Numbering = 'numbering';
    case Contents = 'contents';
}
