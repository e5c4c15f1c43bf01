<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Markdown;

use League\CommonMark\Extension\CommonMark\Node\Inline\HtmlInline;
use League\CommonMark\Parser\Inline\InlineParserInterface;
use League\CommonMark\Parser\Inline\InlineParserMatch;
use League\CommonMark\Parser\InlineParserContext;

/**
 * TeX between dollars in a line (common practice): no blank follows the first sign or stands before the last, and no
 * digit after it, so that amounts of money are none.
 */
final class DollarFormula implements InlineParserInterface
{
    public function getMatchDefinition(): InlineParserMatch
    {
        $content = '(?:[^$\\\\]|\\\\.)+?';

        return InlineParserMatch::regex(
            '\\$\\$' . $content . '\\$\\$|\\$(?![\s$])' . $content . '(?<![\s\\\\])\\$(?!\d)',
        );
    }

    public function parse(InlineParserContext $inlineContext): bool
    {
        $match = $inlineContext->getFullMatch();
        $isDisplay = str_starts_with($match, '$$');
        $source = trim(substr($match, $isDisplay ? 2 : 1, $isDisplay ? -2 : -1));
        if ('' === $source) {
            return false;
        }
        $inlineContext->getCursor()->advanceBy($inlineContext->getFullMatchLength());
        $inlineContext->getContainer()->appendChild(new HtmlInline(self::markup($source, $isDisplay)));

        return true;
    }

    /** As pages have it that leave TeX to a script. */
    public static function markup(string $source, bool $isDisplay): string
    {
        return sprintf(
            $isDisplay ? '<span class="math display">\[%s\]</span>' : '<span class="math inline">\(%s\)</span>',
            htmlspecialchars($source, \ENT_NOQUOTES),
        );
    }
}
