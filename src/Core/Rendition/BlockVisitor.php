<?php

declare(strict_types=1);

namespace Stemmata\Core\Rendition;

use Stemmata\Core\Text\Node;

/**
 * Goes through the blocks of a text. A format that does not say what becomes of one kind does not compile, so that none
 * is
 * ever left out by oversight.
 */
abstract class BlockVisitor
{
    /** @return string the block in the format's own signs */
    final protected function block(Node $block): string
    {
        return match ($block->type) {
            'paragraph' => $this->paragraph($block),
            'quotation' => $this->quotation($block),
            'bulletList' => $this->bulletList($block),
            'orderedList' => $this->orderedList($block),
            'codeBlock' => $this->code($block),
            'calculation' => $this->calculation($block),
            'figure' => $this->figure($block),
            'table' => $this->table($block),
            'formulaBlock' => $this->formulaBlock($block),
            'separator' => $this->separator(),
            'pageBreak' => $this->pageBreak(),
            'contents' => $this->contents($block),
            'unreadable' => $this->unreadable($block),
            default => throw new \LogicException(sprintf('A text cannot hold the block “%s”.', $block->type)),
        };
    }

    abstract protected function paragraph(Node $paragraph): string;

    abstract protected function quotation(Node $quotation): string;

    abstract protected function bulletList(Node $list): string;

    abstract protected function orderedList(Node $list): string;

    abstract protected function code(Node $code): string;

    abstract protected function calculation(Node $calculation): string;

    abstract protected function figure(Node $figure): string;

    abstract protected function table(Node $table): string;

    abstract protected function formulaBlock(Node $formula): string;

    abstract protected function separator(): string;

    abstract protected function pageBreak(): string;

    abstract protected function contents(Node $contents): string;

    abstract protected function unreadable(Node $unreadable): string;

    /** The first number of an ordered list. */
    final protected static function start(Node $list): int
    {
        $start = $list->attribute('start');

        return is_int($start) ? $start : 1;
    }
}
