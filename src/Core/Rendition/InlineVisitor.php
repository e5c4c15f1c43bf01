<?php

declare(strict_types=1);

namespace Stemmata\Core\Rendition;

use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;

/** Goes through running text. Neighbours that share a mark come together. */
abstract class InlineVisitor
{
    final protected function part(Node $part): string
    {
        return match ($part->type) {
            'text' => $this->text($part),
            'hardBreak' => $this->hardBreak(),
            'bookmark' => $this->bookmark($part),
            'bookmarkEnd' => $this->bookmarkEnd($part),
            // Nothing that the writer noted for themselves is written.
            'reminder' => '',
            'crossReference' => $this->crossReference($part),
            'image' => $this->image($part),
            'formula' => $this->formula($part),
            'footnote' => $this->footnote($part),
            default => throw new \LogicException(sprintf('Running text cannot hold the part “%s”.', $part->type)),
        };
    }

    abstract protected function text(Node $text): string;

    abstract protected function hardBreak(): string;

    abstract protected function bookmark(Node $bookmark): string;

    abstract protected function bookmarkEnd(Node $end): string;

    abstract public function crossReference(Node $reference): string;

    abstract public function image(Node $image): string;

    abstract protected function formula(Node $formula): string;

    abstract protected function footnote(Node $footnote): string;

    /**
     * @param list<Node> $nodes
     *
     * @return iterable<int, array{Mark|null,
     *     list<Node>}> by the position behind each group: a part without a mark at this depth,
     *     or all neighbours with the same one
     */
    final protected static function groups(array $nodes, int $depth): iterable
    {
        for ($at = 0, $count = count($nodes); $at < $count; $at = $end) {
            $mark = $nodes[$at]->marks[$depth] ?? null;
            for (
                $end = $at + 1;
                null !== $mark && $end < $count && ($nodes[$end]->marks[$depth] ?? null) == $mark;
                ++$end
            ) {
            }
            yield $end => [$mark, array_slice($nodes, $at, $end - $at)];
        }
    }
}
