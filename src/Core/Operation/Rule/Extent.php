<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

/** How much of a branch an operation takes. */
enum Extent: string
{
    /** The section with every deeper section that follows it. */
    case Branch = 'branch';
    /** The section alone; what was under it then falls under whatever stands above. */
    case HeadingOnly = 'heading-only';
}
