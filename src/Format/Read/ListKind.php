<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Text\ListStyle;
use Stemmata\Core\Text\Node;

/** What the items of a list bear: bullets, or numbers of a style. */
final readonly class ListKind
{
    private function __construct(public bool $isOrdered, private ?ListStyle $style) {}

    public static function bullets(): self
    {
        return new self(false, null);
    }

    /** @param ListStyle|null $style null for decimal numbers */
    public static function ordered(?ListStyle $style): self
    {
        return new self(true, $style);
    }

    /**
     * @param int        $start of an ordered list
     * @param list<Node> $items
     */
    public function listOf(int $start, array $items): Node
    {
        return $this->isOrdered
            ? new Node(
                'orderedList',
                ['start' => $start, ...null === $this->style ? [] : ['style' => $this->style->value]],
                $items,
            )
            : new Node('bulletList', [], $items);
    }
}
