<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\TitleBlock;

/** A part of the title block that a line of the text can become. */
enum TitlePart: string
{
    case Title = 'title';
    case Subtitle = 'subtitle';

    public function of(TitleBlock $block): string
    {
        return self::Title === $this ? $block->title : $block->subtitle;
    }

    public function in(TitleBlock $block, string $words): TitleBlock
    {
        return self::Title === $this ? $block->withTitle($words) : $block->withSubtitle($words);
    }
}
