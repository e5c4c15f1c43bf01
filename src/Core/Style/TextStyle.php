<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** How one kind of text looks, all said. Lengths are points (1/72 inch). */
final readonly class TextStyle
{
    /** Points between what is drawn around a text and its letters; half of it above and below. */
    public const PADDING = 8.0;

    /**
     * @param float       $size          of the em
     * @param float       $lineHeight    from line to line, as a multiple of the size
     * @param int         $weight        100 to 900, as in OpenType
     * @param float       $firstLine     how far the first line of a paragraph is indented; below 0 the others are
     * @param float       $indentStart   of all lines, where the language begins a line
     * @param float       $indentEnd     of all lines, at their other end
     * @param float       $spaceBefore   above a paragraph
     * @param float       $spaceAfter    below a paragraph
     * @param bool        $isExact       whether lines stand so far apart whatever is in them
     * @param float       $letterSpacing added between letters
     * @param string|null $colour        as “#aa1166”; null for that of the page
     * @param string|null $ground        the colour behind it; null for none
     */
    public function __construct(
        public Typeface $face,
        public float $size,
        public float $lineHeight,
        public int $weight = 400,
        public bool $italic = false,
        public Alignment $alignment = Alignment::Start,
        public float $firstLine = 0,
        public float $indentStart = 0,
        public float $indentEnd = 0,
        public float $spaceBefore = 0,
        public float $spaceAfter = 0,
        public bool $isExact = false,
        public Capitals $capitals = Capitals::None,
        public float $letterSpacing = 0,
        public ?string $colour = null,
        public ?string $ground = null,
        public bool $underline = false,
        public ?Rule $ruleAbove = null,
        public ?Rule $ruleBelow = null,
        public ?Rule $frame = null,
        public bool $keepWithNext = false,
        public bool $keepTogether = false,
        public bool $newPage = false,
        public Hyphenation $hyphenation = Hyphenation::Justified,
        public Figures $figures = Figures::Usual,
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
        ?float $indentStart = null,
        ?float $indentEnd = null,
        ?float $spaceBefore = null,
        ?float $spaceAfter = null,
        ?string $ground = null,
        ?string $colour = null,
        ?bool $keepWithNext = null,
        ?bool $keepTogether = null,
        ?Hyphenation $hyphenation = null,
        ?Capitals $capitals = null,
        ?float $letterSpacing = null,
        ?Rule $ruleBelow = null,
    ): self {
        return new self(
            $face ?? $this->face,
            $size ?? $this->size,
            $lineHeight ?? $this->lineHeight,
            $weight ?? $this->weight,
            $italic ?? $this->italic,
            $alignment ?? $this->alignment,
            $firstLine ?? $this->firstLine,
            $indentStart ?? $this->indentStart,
            $indentEnd ?? $this->indentEnd,
            $spaceBefore ?? $this->spaceBefore,
            $spaceAfter ?? $this->spaceAfter,
            $this->isExact,
            $capitals ?? $this->capitals,
            $letterSpacing ?? $this->letterSpacing,
            $colour ?? $this->colour,
            $ground ?? $this->ground,
            $this->underline,
            $this->ruleAbove,
            $ruleBelow ?? $this->ruleBelow,
            $this->frame,
            $keepWithNext ?? $this->keepWithNext,
            $keepTogether ?? $this->keepTogether,
            $this->newPage,
            $hyphenation ?? $this->hyphenation,
            $this->figures,
        );
    }

    /**
     * A look of what a definition says of it all.
     *
     * @param array<string, string> $said by property, each in its normal form; a size in points
     */
    public static function of(array $said): self
    {
        $value = static fn(StyleProperty $property): string => $said[$property->value] ??
            throw new \LogicException(sprintf('A look without “%s” is none.', $property->value));
        $length = static fn(StyleProperty $property): float => (float) $value($property);
        $isYes = static fn(StyleProperty $property): bool => 'yes' === $value($property);
        $colour = static fn(StyleProperty $property): ?string => str_starts_with($value($property), '#')
            ? $value($property)
            : null;
        $rule = static fn(StyleProperty $property): ?Rule => Rule::find($value($property));
        $size = $length(StyleProperty::Size);
        $isExact = str_ends_with($value(StyleProperty::LineHeight), 'pt');

        return new self(
            Typeface::from($value(StyleProperty::Face)),
            $size,
            $length(StyleProperty::LineHeight) / ($isExact ? $size : 1),
            (int) $value(StyleProperty::Weight),
            'italic' === $value(StyleProperty::Slant),
            Alignment::from($value(StyleProperty::Alignment)),
            $length(StyleProperty::FirstLine),
            $length(StyleProperty::IndentStart),
            $length(StyleProperty::IndentEnd),
            $length(StyleProperty::SpaceBefore),
            $length(StyleProperty::SpaceAfter),
            $isExact,
            Capitals::from($value(StyleProperty::Capitals)),
            $length(StyleProperty::LetterSpacing),
            $colour(StyleProperty::Colour),
            $colour(StyleProperty::Ground),
            $isYes(StyleProperty::Underline),
            $rule(StyleProperty::RuleAbove),
            $rule(StyleProperty::RuleBelow),
            $rule(StyleProperty::Frame),
            $isYes(StyleProperty::KeepWithNext),
            $isYes(StyleProperty::KeepTogether),
            $isYes(StyleProperty::NewPage),
            Hyphenation::from($value(StyleProperty::Hyphenation)),
            Figures::from($value(StyleProperty::Figures)),
        );
    }

    /** @return array<string, string> all that is said of it, by property, each in its normal form */
    public function said(): array
    {
        $points = static fn(float $length): string => StyleProperty::number($length) . 'pt';
        $yes = static fn(bool $is): string => $is ? 'yes' : 'no';
        $rule = static fn(?Rule $rule): string => null === $rule ? 'none' : $points($rule->width) . ' ' . $rule->colour;

        return [
            'face' => $this->face->value,
            'size' => $points($this->size),
            'weight' => (string) $this->weight,
            'slant' => $this->italic ? 'italic' : 'upright',
            'capitals' => $this->capitals->value,
            'letterSpacing' => $points($this->letterSpacing),
            'colour' => $this->colour ?? 'ink',
            'ground' => $this->ground ?? 'none',
            'underline' => $yes($this->underline),
            'alignment' => $this->alignment->value,
            'lineHeight' => $this->isExact ? $points($this->pitch()) : StyleProperty::number($this->lineHeight),
            'spaceBefore' => $points($this->spaceBefore),
            'spaceAfter' => $points($this->spaceAfter),
            'firstLine' => $points($this->firstLine),
            'indentStart' => $points($this->indentStart),
            'indentEnd' => $points($this->indentEnd),
            'ruleAbove' => $rule($this->ruleAbove),
            'ruleBelow' => $rule($this->ruleBelow),
            'frame' => $rule($this->frame),
            'keepWithNext' => $yes($this->keepWithNext),
            'keepTogether' => $yes($this->keepTogether),
            'newPage' => $yes($this->newPage),
            'hyphenation' => $this->hyphenation->value,
            'figures' => $this->figures->value,
        ];
    }

    /** Points from one line to the next. */
    public function pitch(): float
    {
        return $this->size * $this->lineHeight;
    }

    public function hyphenates(): bool
    {
        return Hyphenation::Yes === $this->hyphenation ||
            (Hyphenation::Justified === $this->hyphenation && Alignment::Justified === $this->alignment);
    }
}
