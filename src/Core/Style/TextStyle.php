<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** How one kind of text looks. Lengths are points (1/72 inch). */
final readonly class TextStyle
{
    /**
     * @param float $size        points, of the em
     * @param float $lineHeight  from line to line, as a multiple of the size
     * @param int   $weight      100 to 900, as in OpenType
     * @param float $firstLine   how far the first line of a paragraph is indented
     * @param bool  $indentsAll  whether that holds for the first paragraph under a heading as well
     * @param float $indentStart of all lines, where the language begins a line
     * @param float $indentEnd   of all lines, at their other end
     * @param float $spaceBefore above a paragraph
     * @param float $spaceAfter  below a paragraph
     */
    public function __construct(
        public Typeface $face,
        public float $size,
        public float $lineHeight,
        public int $weight = 400,
        public bool $italic = false,
        public Alignment $alignment = Alignment::Start,
        public float $firstLine = 0,
        public bool $indentsAll = false,
        public float $indentStart = 0,
        public float $indentEnd = 0,
        public float $spaceBefore = 0,
        public float $spaceAfter = 0,
    ) {}

    /** The same with what is named in place of its own. */
    public function with(
        ?Typeface $face = null,
        ?float $size = null,
        ?float $lineHeight = null,
        ?int $weight = null,
        ?bool $italic = null,
        ?Alignment $alignment = null,
        ?float $firstLine = null,
        ?bool $indentsAll = null,
        ?float $indentStart = null,
        ?float $indentEnd = null,
        ?float $spaceBefore = null,
        ?float $spaceAfter = null,
    ): self {
        return new self(
            $face ?? $this->face,
            $size ?? $this->size,
            $lineHeight ?? $this->lineHeight,
            $weight ?? $this->weight,
            $italic ?? $this->italic,
            $alignment ?? $this->alignment,
            $firstLine ?? $this->firstLine,
            $indentsAll ?? $this->indentsAll,
            $indentStart ?? $this->indentStart,
            $indentEnd ?? $this->indentEnd,
            $spaceBefore ?? $this->spaceBefore,
            $spaceAfter ?? $this->spaceAfter,
        );
    }

    /** Points from one line to the next. */
    public function pitch(): float
    {
        return $this->size * $this->lineHeight;
    }
}
