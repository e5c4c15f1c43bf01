<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;

/** Gathers running text as a file has it, blanks and all; neighbours with the same marks become one run. */
final class TextRun
{
    /** @var list<Node> */
    private array $nodes = [];
    private string $text = '';
    /** @var list<Mark> */
    private array $marks = [];

    /** @param list<Mark> $marks in the schema's order */
    public function text(string $text, array $marks): void
    {
        if ('' === $text) {
            return;
        }
        if ($marks != $this->marks) {
            $this->finishText();
            $this->marks = $marks;
        }
        $this->text .= $text;
    }

    public function part(Node $part): void
    {
        $this->finishText();
        $this->nodes[] = $part;
    }

    /** The part that was put in last, when no words followed it. */
    public function findLast(): ?Node
    {
        return '' !== $this->text || [] === $this->nodes ? null : $this->nodes[count($this->nodes) - 1];
    }

    public function isEmpty(): bool
    {
        return [] === $this->nodes && '' === $this->text;
    }

    /** @return list<Node> */
    public function finished(): array
    {
        $this->finishText();
        $nodes = $this->nodes;
        $this->nodes = [];

        return $nodes;
    }

    /**
     * Marks always stand in the schema's order, so that equal text is equal to the byte.
     *
     * @param array<string, Mark> $marks by type
     *
     * @return list<Mark>
     */
    public static function ordered(array $marks): array
    {
        $ordered = [];
        foreach (array_keys(BodySchema::MARKS) as $type) {
            if (isset($marks[$type])) {
                $ordered[] = $marks[$type];
            }
        }

        return $ordered;
    }

    private function finishText(): void
    {
        if ('' !== $this->text) {
            $this->nodes[] = Node::text($this->text, $this->marks);
        }
        $this->text = '';
        $this->marks = [];
    }
}
