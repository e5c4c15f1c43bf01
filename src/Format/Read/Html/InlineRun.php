<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\TextRun;

/** Collects running text; white space is folded across the parts, and none stands at either end. */
final class InlineRun
{
    /** @var list<Node> */
    private array $nodes = [];
    private string $text = '';
    /** @var array<string, Mark> by type */
    private array $marks = [];
    private bool $endsInBlank = true;

    /** @param array<string, Mark> $marks by type */
    public function words(string $words, array $marks): void
    {
        $folded = (string) preg_replace('/[ \t\r\n\f]+/', ' ', $words);
        if ($this->endsInBlank) {
            $folded = ltrim($folded, ' ');
        }
        if ('' === $folded) {
            return;
        }
        if ($marks != $this->marks) {
            $this->finishText();
            $this->marks = $marks;
        }
        $this->text .= $folded;
        $this->endsInBlank = str_ends_with($folded, ' ');
    }

    public function part(Node $part): void
    {
        if ('hardBreak' === $part->type) {
            $this->text = rtrim($this->text, ' ');
        }
        $this->finishText();
        $this->nodes[] = $part;
        $this->endsInBlank = 'hardBreak' === $part->type;
    }

    /** Words of two blocks do not run together. */
    public function gapIf(bool $wanted): void
    {
        if ($wanted) {
            $this->words(' ', []);
        }
    }

    /** Blanks set between a note and its way back are no part of the note. */
    public function trimEnd(): void
    {
        $this->text = (string) preg_replace('/[ \x{00A0}]+\z/u', '', $this->text);
    }

    /** @return list<Node> */
    public function finished(): array
    {
        $this->finishText();
        // A bookmark at the very end is no word; a blank before it still ends the text.
        $bookmarks = [];
        while ([] !== $this->nodes) {
            $last = array_pop($this->nodes);
            if ('bookmark' === $last->type) {
                array_unshift($bookmarks, $last);
                continue;
            }
            $kept = $last->isText() ? Node::text(rtrim($last->text, ' '), $last->marks) : $last;
            if ('hardBreak' !== $last->type && !($last->isText() && '' === $kept->text)) {
                $this->nodes[] = $kept;
                break;
            }
        }
        array_push($this->nodes, ...$bookmarks);

        return $this->nodes;
    }

    private function finishText(): void
    {
        if ('' !== $this->text) {
            $this->nodes[] = Node::text($this->text, TextRun::ordered($this->marks));
        }
        $this->text = '';
        $this->marks = [];
    }
}
