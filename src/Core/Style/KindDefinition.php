<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/** What a style sheet says of one kind of text, beyond what that kind rests on. */
final readonly class KindDefinition
{
    /**
     * @param array<string, string> $said     by property, each in its normal form
     * @param string|null           $restsOn  another kind; null for the usual one
     * @param string|null           $label    what a kind of the writer’s own is called; null for a shipped one
     * @param bool                  $isWords  whether a kind of the writer’s own is one of words, not of paragraphs
     */
    public function __construct(
        public array $said = [],
        public ?string $restsOn = null,
        public ?string $label = null,
        public bool $isWords = false,
    ) {}

    public function isOwn(): bool
    {
        return null !== $this->label;
    }

    public function isEmpty(): bool
    {
        return [] === $this->said && null === $this->restsOn && null === $this->label;
    }

    /** @param array<string, string|null> $changes by property; null takes away what was said */
    public function changed(array $changes): self
    {
        return new self(
            self::inOrder(
                array_filter([...$this->said, ...$changes], static fn(?string $value): bool => null !== $value),
            ),
            $this->restsOn,
            $this->label,
            $this->isWords,
        );
    }

    public function restingOn(?string $kind): self
    {
        return new self($this->said, $kind, $this->label, $this->isWords);
    }

    public function called(string $label): self
    {
        return new self($this->said, $this->restsOn, $label, $this->isWords);
    }

    /** @return array<string, string> */
    public function toJson(): array
    {
        return [
            ...null === $this->label ? [] : ['label' => $this->label, 'of' => $this->isWords ? 'words' : 'paragraphs'],
            ...null === $this->restsOn ? [] : ['restsOn' => $this->restsOn],
            ...$this->said,
        ];
    }

    /**
     * In one order, so that two definitions that say the same are the same.
     *
     * @param array<string, string> $said
     *
     * @return array<string, string>
     */
    public static function inOrder(array $said): array
    {
        $ordered = [];
        foreach (StyleProperty::cases() as $property) {
            if (isset($said[$property->value])) {
                $ordered[$property->value] = $said[$property->value];
            }
        }

        return $ordered;
    }
}
