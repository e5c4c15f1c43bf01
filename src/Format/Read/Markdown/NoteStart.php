<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Markdown;

use League\CommonMark\Extension\Footnote\Parser\FootnoteParser;
use League\CommonMark\Parser\Block\BlockStart;
use League\CommonMark\Parser\Block\BlockStartParserInterface;
use League\CommonMark\Parser\Cursor;
use League\CommonMark\Parser\MarkdownParserStateInterface;
use League\CommonMark\Reference\Reference;

/**
 * A footnote right below another line, a link's definition for instance: several programs begin it there (common
 * practice); the library would take it for the address of a link, and its words would be lost.
 */
final class NoteStart implements BlockStartParserInterface
{
    public function tryStart(Cursor $cursor, MarkdownParserStateInterface $parserState): ?BlockStart
    {
        if (
            $cursor->isIndented() ||
            1 !== preg_match('/\A[ \t]*\[\^([^\s^\]]+)\]:(?:[ \t]|\z)/', $cursor->getRemainder(), $match)
        ) {
            return BlockStart::none();
        }
        $cursor->advanceToNextNonSpaceOrTab();
        $cursor->advanceBy(mb_strlen(ltrim($match[0], " \t")));

        return BlockStart::of(new FootnoteParser(new Reference($match[1], $match[1], $match[1])))->at($cursor);
    }
}
