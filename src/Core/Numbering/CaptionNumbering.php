<?php

declare(strict_types=1);

namespace Stemmata\Core\Numbering;

/** How pictures and tables with a caption are counted. */
enum CaptionNumbering: string
{
    /** Through the document: “Figure 7”. */
    case Plain = 'plain';
    /** Anew in each numbered section of level 1, behind its number: “Figure 3.2”. */
    case ByChapter = 'byChapter';
    case None = 'none';
}
