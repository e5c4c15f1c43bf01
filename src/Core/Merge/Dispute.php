<?php

declare(strict_types=1);

namespace Stemmata\Core\Merge;

use Stemmata\Core\Text\Node;

/** A place where both sides changed the same words, each in its own way. */
final readonly class Dispute
{
    /**
     * @param list<Node> $mine   blocks, as is $theirs; of words within a line, a paragraph
     * @param list<Node> $theirs
     */
    public function __construct(public array $mine, public array $theirs) {}
}
