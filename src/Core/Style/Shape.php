<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/**
 * What a writer said by hand of the look of one paragraph, one heading or some words, beyond what their kind says.
 *
 * It is kept as one line, “property:value;property:value”, in the order of StyleProperty and each value in its normal form, so
 * that the same look is the same line. Sizes of paragraphs are lengths; those of words may be shares of the text around them.
 */
final readonly class Shape
{
    /** @param array<string, string> $said by property, in order and in normal form */
    public function __construct(public array $said = []) {}

    public static function none(): self
    {
        return new self();
    }

    /**
     * @param string $written as it is kept, or as somebody wrote it: in any order, with other units
     *
     * @throws InvalidStyleSheet in a sentence that names the property
     */
    public static function read(string $written, bool $ofWords): self
    {
        $said = [];
        foreach (explode(';', $written) as $each) {
            if ('' === trim($each)) {
                continue;
            }
            [$name, $value] = [...explode(':', $each, 2), ''];
            $property = StyleProperty::tryFrom(trim($name)) ?? throw InvalidStyleSheet::unknownByHand(trim($name));
            if (!in_array($property, self::properties($ofWords), true)) {
                throw InvalidStyleSheet::notByHand($property, $ofWords);
            }
            $normal = $property->findNormal($value);
            if (null === $normal || (!$ofWords && StyleProperty::Size === $property && str_ends_with($normal, '%'))) {
                throw InvalidStyleSheet::wrongByHand($property, trim($value));
            }
            $said[$property->value] = $normal;
        }

        return new self(KindDefinition::inOrder($said));
    }

    /** Whether it is what is kept of a shape: something is said, in the one form in which that is said. */
    public static function isSound(string $written, bool $ofWords): bool
    {
        try {
            return '' !== $written && self::read($written, $ofWords)->written() === $written;
        } catch (InvalidStyleSheet) {
            return false;
        }
    }

    /** As it was kept; nothing is said by what cannot be read. */
    public static function kept(string $written, bool $ofWords = false): self
    {
        try {
            return self::read($written, $ofWords);
        } catch (InvalidStyleSheet) {
            return self::none();
        }
    }

    /** @return list<StyleProperty> what can be said by hand; a page is begun by a page break */
    public static function properties(bool $ofWords): array
    {
        return $ofWords
            ? TextKind::ofWords()
            : array_values(
                array_filter(
                    TextKind::ofParagraphs(),
                    static fn(StyleProperty $each): bool => StyleProperty::NewPage !== $each,
                ),
            );
    }

    public function isEmpty(): bool
    {
        return [] === $this->said;
    }

    public function says(StyleProperty $property): bool
    {
        return isset($this->said[$property->value]);
    }

    /** @param list<string> $properties of which nothing is said any more */
    public function without(array $properties): self
    {
        return new self(array_diff_key($this->said, array_flip($properties)));
    }

    /** The look of a kind with this said of it. */
    public function on(TextStyle $style): TextStyle
    {
        return $this->isEmpty() ? $style : TextStyle::of([...$style->said(), ...$this->said]);
    }

    /** As words have it, which take the rest from the text they stand in. */
    public function ofWords(): WordLook
    {
        $letters = array_column(TextKind::ofWords(), 'value');

        return new WordLook(array_intersect_key($this->said, array_flip($letters)));
    }

    /** As it is kept; empty when nothing is said. */
    public function written(): string
    {
        return implode(
            ';',
            array_map(
                static fn(string $name, string $value): string => $name . ':' . $value,
                array_keys($this->said),
                $this->said,
            ),
        );
    }
}
