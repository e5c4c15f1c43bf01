<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Markdown;

use League\CommonMark\Extension\CommonMark\Node\Block\HtmlBlock;
use League\CommonMark\Parser\Block\AbstractBlockContinueParser;
use League\CommonMark\Parser\Block\BlockContinue;
use League\CommonMark\Parser\Block\BlockContinueParserInterface;
use League\CommonMark\Parser\Cursor;

/** A formula in TeX between lines of two dollars. A blank line ends it, for TeX allows none there. */
final class DollarBlock extends AbstractBlockContinueParser
{
    private HtmlBlock $block;
    /** @var list<string> */
    private array $lines = [];
    private bool $isClosed = false;

    public function __construct()
    {
        $this->block = new HtmlBlock(HtmlBlock::TYPE_6_BLOCK_ELEMENT);
    }

    public function getBlock(): HtmlBlock
    {
        return $this->block;
    }

    public function tryContinue(Cursor $cursor, BlockContinueParserInterface $activeBlockParser): ?BlockContinue
    {
        return $this->isClosed || $cursor->isBlank() ? BlockContinue::none() : BlockContinue::at($cursor);
    }

    public function addLine(string $line): void
    {
        // The first line is that of the opening sign.
        $line = [] === $this->lines ? (string) preg_replace('/\A\s*\$\$/', '', $line) : $line;
        if (1 === preg_match('/\A(.*)\$\$\s*\z/s', $line, $match)) {
            $this->isClosed = true;
            $line = $match[1];
        }
        $this->lines[] = $line;
    }

    public function closeBlock(): void
    {
        $source = trim(implode("\n", $this->lines));
        $this->block->setLiteral(
            $this->isClosed && '' !== $source
                ? '<div class="math display">\[' . htmlspecialchars($source, \ENT_NOQUOTES) . '\]</div>'
                : '<p>' . htmlspecialchars('$$' . implode("\n", $this->lines) . ($this->isClosed ? '$$' : '')) . '</p>',
        );
    }
}
