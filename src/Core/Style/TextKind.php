<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** The kinds of text that a house style has a look for. Headings and lines of contents have one for each level. */
enum TextKind: string
{
    case Body = 'body';
    case Heading = 'heading';
    case Title = 'title';
    case Subtitle = 'subtitle';
    case TitleLine = 'titleLine';
    case Quotation = 'quotation';
    case ListItem = 'listItem';
    case Table = 'table';
    case Caption = 'caption';
    case Code = 'code';
    case Footnote = 'footnote';
    case ContentsTitle = 'contentsTitle';
    case ContentsLine = 'contentsLine';
    case RunningLine = 'runningLine';

    public function hasLevels(): bool
    {
        return self::Heading === $this || self::ContentsLine === $this;
    }
}
