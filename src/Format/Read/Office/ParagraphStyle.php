<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Office;

use Stemmata\Core\Text\Look;

/** What a paragraph's or a run's properties come to; null where nothing is said. */
final readonly class ParagraphStyle
{
    public function __construct(
        public string $name = '',
        public ?int $outlineLevel = null,
        public ?string $numId = null,
        public ?int $numLevel = null,
        public ?bool $bold = null,
        public ?bool $italic = null,
        public ?bool $caps = null,
        public ?bool $hidden = null,
        public ?bool $breakBefore = null,
        public ?int $size = null,
        public ?string $align = null,
        public ?int $before = null,
        public ?int $after = null,
        public ?string $vertical = null,
        public ?bool $isCode = null,
        public ?bool $struck = null,
        /** The kind of the writer’s own that it stands for. */
        public ?string $kind = null,
    ) {}

    /** This one with what the other says on top; a name of the other's wins too. */
    public function with(self $other): self
    {
        return new self(
            $other->name ?: $this->name,
            $other->outlineLevel ?? $this->outlineLevel,
            $other->numId ?? $this->numId,
            $other->numLevel ?? $this->numLevel,
            $other->bold ?? $this->bold,
            $other->italic ?? $this->italic,
            $other->caps ?? $this->caps,
            $other->hidden ?? $this->hidden,
            $other->breakBefore ?? $this->breakBefore,
            $other->size ?? $this->size,
            $other->align ?? $this->align,
            $other->before ?? $this->before,
            $other->after ?? $this->after,
            $other->vertical ?? $this->vertical,
            $other->isCode ?? $this->isCode,
            $other->struck ?? $this->struck,
            $other->kind ?? $this->kind,
        );
    }

    /** A style called “heading 2” is one of that level, and so is every style based on it, whatever that is called. */
    public function withLevelOfName(): self
    {
        $level = $this->findHeadingLevel();

        return null !== $this->outlineLevel || null === $level
            ? $this
            : (new self(outlineLevel: $level - 1))->with($this);
    }

    /**
     * The level of a heading, from 1; null for text. Style names are English in the file whatever the program speaks.
     */
    public function findHeadingLevel(): ?int
    {
        if (null !== $this->outlineLevel) {
            // 9 says “body text” (ECMA-376-1, 17.3.1.20).
            return $this->outlineLevel >= 0 && $this->outlineLevel <= 8 ? $this->outlineLevel + 1 : null;
        }

        return 1 === preg_match('/\Aheading ([1-9])\z/i', $this->name, $match) ? (int) $match[1] : null;
    }

    public function isTitle(): bool
    {
        return 0 === strcasecmp($this->name, 'title');
    }

    public function isSubtitle(): bool
    {
        return 0 === strcasecmp($this->name, 'subtitle');
    }

    public function isAuthor(): bool
    {
        return 0 === strcasecmp($this->name, 'author');
    }

    public function isDate(): bool
    {
        return 0 === strcasecmp($this->name, 'date');
    }

    public function isQuotation(): bool
    {
        return 1 ===
            preg_match(
                '/\A(?:(?:intense )?quot(?:e|ation)s?|block ?(?:text|quote|quotation)|citation|zitat)\z/i',
                $this->name,
            );
    }

    public function isCaption(): bool
    {
        return 1 ===
            preg_match(
                '/\A(?:(?:image|table|figure) ?)?caption\z|\A(?:legend|beschriftung|illustration|figure|table|drawing)\z/i',
                $this->name,
            );
    }

    public function isContents(): bool
    {
        return 1 ===
            preg_match(
                '/\A(?:toc|contents|index|table of (?:figures|authorities)|illustration index|figure index|table index)(?: (?:heading|\d+))?\z|\A(?:toc|contents) heading\z/i',
                $this->name,
            );
    }

    public function isCode(): bool
    {
        return 1 ===
            preg_match(
                '/\A(?:source ?code|html preformatted|preformatted text|plain text|code|verbatim)\z|\Asource code /i',
                $this->name,
            );
    }

    /** As we name the styles of code ourselves. */
    public function codeLanguage(): ?string
    {
        return 1 === preg_match('/\ASource Code (.+)\z/s', $this->name, $match) ? $match[1] : null;
    }

    public function isCalculation(): bool
    {
        return 'Calculation' === $this->name;
    }

    /** As we name the style of an empty paragraph that the writer made, and those of words in tables. */
    public function isBlankLine(): bool
    {
        return 'Blank line' === $this->name;
    }

    /** As we name the style of what only keeps two lists, quotations, tables or pieces of code apart. */
    public function isSpaceBetween(): bool
    {
        return 'Space between' === $this->name;
    }

    public function isTableHeading(): bool
    {
        return 'Table heading' === $this->name;
    }

    public function isTableText(): bool
    {
        return $this->isTableHeading() || 'Table text' === $this->name;
    }

    public function isSeparator(): bool
    {
        return 1 === preg_match('/\A(?:separator|horizontal (?:line|rule))\z/i', $this->name);
    }

    /** @param int|null $size of the letters as they are, in half points */
    public function look(?int $size): Look
    {
        return new Look(
            $size,
            match ($this->align) {
                'center' => 'center',
                'right', 'end' => 'right',
                default => null,
            },
            true === $this->caps,
            $this->before,
            $this->after,
            mb_strcut($this->name, 0, 200),
        );
    }
}
