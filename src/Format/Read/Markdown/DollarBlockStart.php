<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Markdown;

use League\CommonMark\Parser\Block\BlockStart;
use League\CommonMark\Parser\Block\BlockStartParserInterface;
use League\CommonMark\Parser\Cursor;
use League\CommonMark\Parser\MarkdownParserStateInterface;

/** A line that begins with two dollars, and is nothing else than a formula. */
final class DollarBlockStart implements BlockStartParserInterface
{
    public function tryStart(Cursor $cursor, MarkdownParserStateInterface $parserState): ?BlockStart
    {
        $line = ltrim($cursor->getRemainder());
        $isStart =
            !$cursor->isIndented() &&
            null === $parserState->getParagraphContent() &&
            1 === preg_match('/\A\$\$(?:[^$]*|[^$]*\$\$\s*)\z/', $line);

        return $isStart ? BlockStart::of(new DollarBlock())->at($cursor) : BlockStart::none();
    }
}
