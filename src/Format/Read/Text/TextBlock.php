<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Text;

/** Lines of a plain text that stand together. */
final readonly class TextBlock
{
    /**
     * @param non-empty-list<string> $lines  without the blanks at their ends
     * @param int                    $gap    empty lines before it
     * @param bool                   $onPage whether it begins a page
     */
    public function __construct(public array $lines, public int $gap, public bool $onPage = false) {}

    public function isSingle(): bool
    {
        return 1 === count($this->lines);
    }

    public function text(): string
    {
        return trim($this->lines[0]);
    }

    public function indent(): int
    {
        return strspn($this->lines[0], " \t");
    }
}
