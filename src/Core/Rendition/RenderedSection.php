<?php

declare(strict_types=1);

namespace Stemmata\Core\Rendition;

use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Text\Node;

/** One section, with all that a format has to know of it. */
final readonly class RenderedSection
{
    /**
     * @param string      $id       of the section
     * @param int         $position from 0
     * @param int         $flags    bits of `Outline`
     * @param string      $number   such as “3.2” or “Appendix B”; empty for none
     * @param string|null $place    the name by which links in the file lead here; null when none does
     * @param list<Node>  $heading  running text
     * @param list<Node>  $blocks
     * @param Shape       $shape    what is said by hand of the look of its heading
     */
    public function __construct(
        public string $id,
        public int $position,
        public Level $level,
        public int $flags,
        public string $number,
        public ?string $place,
        public array $heading,
        public array $blocks,
        public Shape $shape = new Shape(),
    ) {}

    public function isAppendix(): bool
    {
        return 0 !== ($this->flags & Outline::APPENDIX);
    }

    public function isInContents(): bool
    {
        return 0 === ($this->flags & Outline::LEFT_OUT_OF_CONTENTS);
    }
}
