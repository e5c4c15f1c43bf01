<?php

declare(strict_types=1);

namespace Stemmata\Core\Page;

/** Where a section of level 1 begins. */
enum ChapterStart: string
{
    case Following = 'following';
    case NewPage = 'newPage';
    case RightPage = 'rightPage';
}
