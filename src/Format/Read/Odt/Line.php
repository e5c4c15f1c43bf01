<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Odt;

use Stemmata\Core\Text\Node;

/** One paragraph as read, and what hung on it. */
final readonly class Line
{
    /**
     * @param list<Node>        $inline
     * @param list<string>      $anchors bookmarks that begin in it, when it is a heading
     * @param int|null          $size    of its letters, in half points; the smallest where they differ
     * @param list<\DOMElement> $frames  that hold text
     * @param string            $printed number that the program printed before it
     */
    public function __construct(
        public array $inline,
        public array $anchors,
        public ?int $size,
        public array $frames,
        public string $printed,
    ) {}
}
