<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

use Stemmata\Core\Page\PageSetup;

/**
 * How a document looks: one look for each kind of text, from which pages, web pages and office files are all made, and
 * the pages that go with it as long as the writer has not set up others.
 */
final readonly class HouseStyle
{
    /**
     * @param string                       $name   as it is kept and asked for
     * @param string                       $label  as it is shown
     * @param string                       $about  what it is for, in one sentence
     * @param array<string, TextStyle>     $kinds  by the value of a TextKind without levels
     * @param array<int, TextStyle>        $headings      by level, 1 to 9
     * @param array<int, TextStyle>        $contentsLines by level, 1 to 9
     */
    public function __construct(
        public string $name,
        public string $label,
        public string $about,
        public PageSetup $pages,
        private array $kinds,
        private array $headings,
        private array $contentsLines,
    ) {}

    /** @param int $level of a heading or of a line of contents, 1 to 9 */
    public function of(TextKind $kind, int $level = 1): TextStyle
    {
        return match ($kind) {
            TextKind::Heading => $this->headings[$level],
            TextKind::ContentsLine => $this->contentsLines[$level],
            default => $this->kinds[$kind->value],
        };
    }
}
