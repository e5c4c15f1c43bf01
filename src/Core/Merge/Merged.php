<?php

declare(strict_types=1);

namespace Stemmata\Core\Merge;

use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;

/** One text made of two that were changed apart. */
final readonly class Merged
{
    /** @param list<Dispute> $disputes places where the same words were changed; none when the text is whole */
    public function __construct(public Heading $heading, public Body $body, public array $disputes) {}
}
