<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Core\Text\Node;

/** One paragraph as read: its words, cut where the page is broken, and what hung on it. */
final readonly class Line
{
    /**
     * @param non-empty-list<list<Node>> $parts   running text between page breaks
     * @param list<string>               $anchors bookmarks that begin in it, when it is a heading
     * @param int|null                   $size    of its letters, in half points; the smallest where they differ
     * @param list<\DOMElement>          $boxes   paragraphs of text boxes
     */
    public function __construct(
        public array $parts,
        public array $anchors,
        public ?int $size,
        public array $boxes,
        public bool $isContents,
    ) {}

    /** @return list<Node> */
    public function inline(): array
    {
        return array_merge(...$this->parts);
    }

    public function isBlank(): bool
    {
        return '' === trim(Node::plainTextOf($this->inline())) &&
            [] ===
                array_filter(
                    $this->inline(),
                    static fn(Node $node): bool => in_array($node->type, ['image', 'footnote'], true),
                );
    }
}
