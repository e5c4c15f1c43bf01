<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

use Stemmata\Core\CoreException;
use Stemmata\Core\Link\KindName;
use Stemmata\Core\Page\PageSetup;

/**
 * What a writer says of the looks of kinds of text, beyond a house style that ships; immutable. Its JSON is described in
 * docs/style-sheet.md.
 */
final readonly class StyleSheet
{
    public const MAX_NAME = 80;
    public const MAX_LABEL = 60;
    private const MAX_ABOUT = 200;
    private const MAX_OWN = 200;

    /**
     * @param string                        $basedOn a house style that ships
     * @param array<string, KindDefinition> $kinds   by name, none of them empty
     * @param PageSetup|null                $pages   null for those of what it is based on
     */
    public function __construct(
        public string $name,
        public string $basedOn = HouseStyles::PLAIN,
        public array $kinds = [],
        public string $about = '',
        public ?PageSetup $pages = null,
    ) {}

    public function definition(string $kind): KindDefinition
    {
        return $this->kinds[$kind] ?? new KindDefinition();
    }

    /** What a kind is called; its name, where no sheet says. */
    public function labelOf(string $kind): string
    {
        $shipped = TextKind::find($kind);

        return null === $shipped ? $this->definition($kind)->label ?? $kind : $shipped[0]->label($shipped[1]);
    }

    /** @param list<string> $names */
    public function withoutOwnBut(array $names): self
    {
        $sheet = $this;
        // What they rest on, they need.
        $needed = array_flip($names);
        $count = 0;
        while (count($needed) > $count) {
            $count = count($needed);
            foreach (array_keys($needed) as $name) {
                $needed[$sheet->restsOn((string) $name) ?? ''] = true;
            }
        }
        foreach (array_diff_key($sheet->own(), $needed) as $name => $_) {
            $sheet = $sheet->withKind($name, null);
        }

        return $sheet;
    }

    /** @return array<string, KindDefinition> the kinds of the writer’s own, by name */
    public function own(): array
    {
        return array_filter($this->kinds, static fn(KindDefinition $kind): bool => $kind->isOwn());
    }

    public function withKind(string $name, ?KindDefinition $definition): self
    {
        $kinds = $this->kinds;
        if (null === $definition || $definition->isEmpty()) {
            unset($kinds[$name]);
        } else {
            $kinds[$name] = $definition;
        }

        return new self($this->name, $this->basedOn, self::inOrder($kinds), $this->about, $this->pages);
    }

    public function called(string $name): self
    {
        return new self($name, $this->basedOn, $this->kinds, $this->about, $this->pages);
    }

    /**
     * With the kinds of the writer’s own that another sheet has and this one lacks: texts may hold them. What is beyond the
     * number that a sheet can hold is left out, and looks as body does.
     */
    public function withOwnOf(self $other): self
    {
        $sheet = $this;
        $room = max(0, self::MAX_OWN - count($this->own()));
        foreach (array_slice(array_diff_key($other->own(), $this->kinds), 0, $room) as $name => $kind) {
            $sheet = $sheet->withKind($name, $kind);
        }
        foreach ($sheet->own() as $name => $kind) {
            // One that it rests on may be named otherwise here.
            $rests = $kind->restsOn ?? TextKind::Body->value;
            $base = $sheet->definition($rests);
            $isThere = null !== TextKind::find($rests) || ($base->isOwn() && $base->isWords === $kind->isWords);
            $sheet = $isThere ? $sheet : $sheet->withKind($name, $kind->restingOn(null));
        }

        return $sheet;
    }

    /** What a kind rests on; null for the body. */
    public function restsOn(string $kind): ?string
    {
        $definition = $this->definition($kind);
        if (null !== $definition->restsOn) {
            return $definition->restsOn;
        }

        return self::usuallyRestsOn($kind);
    }

    private static function usuallyRestsOn(string $kind): ?string
    {
        $shipped = TextKind::find($kind);

        return null === $shipped ? TextKind::Body->value : $shipped[0]->restsOn($shipped[1]);
    }

    /**
     * The sheet with changes of one kind, if it can be so.
     *
     * @param array<mixed> $changes what a kind’s entry in the JSON holds; null takes away
     *
     * @throws InvalidStyleSheet naming the place
     */
    public function shaped(string $kind, array $changes): self
    {
        $definition = $this->definition($kind);
        if (!$definition->isOwn() && null === TextKind::find($kind)) {
            $definition = self::ownKind($kind, $changes);
        }
        $said = [];
        foreach ($changes as $name => $value) {
            $name = (string) $name;
            match ($name) {
                'label' => ($definition = $definition->called(self::label($kind, $definition, $value))),
                'of' => self::of($kind, $definition, $value),
                'restsOn' => ($definition = $definition->restingOn(self::restedOn($kind, $value))),
                default => ($said[$name] = self::value($kind, $definition, $name, $value)),
            };
        }
        $shaped = $this->withKind($kind, $definition->changed($said));
        if (count($shaped->own()) > self::MAX_OWN) {
            throw InvalidStyleSheet::tooMany();
        }
        if (null !== $definition->restsOn) {
            $shaped->requireEnd($kind);
        }

        return $shaped;
    }

    /** @param array<mixed> $changes */
    private static function ownKind(string $kind, array $changes): KindDefinition
    {
        if (!KindName::isValid($kind) || !array_key_exists('label', $changes)) {
            throw InvalidStyleSheet::unknownKind($kind);
        }

        return new KindDefinition(label: '', isWords: 'words' === ($changes['of'] ?? null));
    }

    private static function label(string $kind, KindDefinition $definition, mixed $label): string
    {
        if (
            !$definition->isOwn() ||
            !is_string($label) ||
            !mb_check_encoding($label, 'UTF-8') ||
            '' === trim($label) ||
            mb_strlen(trim($label)) > self::MAX_LABEL
        ) {
            throw InvalidStyleSheet::label($kind);
        }

        return trim($label);
    }

    private static function of(string $kind, KindDefinition $definition, mixed $of): void
    {
        if (!$definition->isOwn() || $of !== ($definition->isWords ? 'words' : 'paragraphs')) {
            throw InvalidStyleSheet::of($kind);
        }
    }

    private static function restedOn(string $kind, mixed $other): ?string
    {
        if (null !== $other && (!is_string($other) || TextKind::Body->value === $kind)) {
            throw InvalidStyleSheet::restsOn($kind);
        }

        // To rest on what it rests on anyway is to say nothing.
        return self::usuallyRestsOn($kind) === $other ? null : $other;
    }

    /** A kind rests on another, that on a third, and so on to the body. */
    private function requireEnd(string $kind): void
    {
        $met = [];
        for ($each = $kind; null !== $each; $each = $this->restsOn($each)) {
            $definition = $this->definition($each);
            $isThere = $definition->isOwn() || null !== TextKind::find($each);
            // Words stand within paragraphs, and rest on words.
            $isFit = $definition->isWords === $this->definition($kind)->isWords || TextKind::Body->value === $each;
            if (isset($met[$each]) || !$isThere || !$isFit) {
                throw InvalidStyleSheet::restsOn($kind);
            }
            $met[$each] = true;
        }
    }

    private static function value(string $kind, KindDefinition $definition, string $name, mixed $value): ?string
    {
        $property = StyleProperty::tryFrom($name) ?? throw InvalidStyleSheet::unknownProperty($kind, $name);
        if (!in_array($property, self::propertiesOf($kind, $definition), true)) {
            throw InvalidStyleSheet::notOfKind($kind, $property);
        }

        return null === $value
            ? null
            : $property->findNormal($value) ?? throw InvalidStyleSheet::wrongValue($kind, $property, $value);
    }

    /** @return list<StyleProperty> what can be said of a kind */
    public static function propertiesOf(string $kind, KindDefinition $definition): array
    {
        $shipped = TextKind::find($kind);

        return match (true) {
            null !== $shipped => $shipped[0]->properties(),
            $definition->isWords => TextKind::ofWords(),
            default => TextKind::ofParagraphs(),
        };
    }

    /** @return array<string, mixed> */
    public function toJson(): array
    {
        return array_filter(
            [
                'name' => $this->name,
                'about' => $this->about,
                'basedOn' => $this->basedOn,
                'kinds' => array_map(static fn(KindDefinition $kind): array => $kind->toJson(), $this->kinds),
                'pages' => $this->pages?->toJson(),
            ],
            static fn(mixed $value): bool => !in_array($value, [null, '', []], true),
        );
    }

    /**
     * @param mixed $json as `toJson` gives it, or as a writer wrote it
     *
     * @throws CoreException in a sentence that names the place
     */
    public static function fromJson(mixed $json): self
    {
        if (!is_array($json) || ([] !== $json && array_is_list($json))) {
            throw InvalidStyleSheet::malformed();
        }
        foreach (array_keys($json) as $entry) {
            if (!in_array($entry, ['name', 'about', 'basedOn', 'kinds', 'pages', '$schema'], true)) {
                throw InvalidStyleSheet::unknownEntry((string) $entry);
            }
        }
        $base = $json['basedOn'] ?? HouseStyles::PLAIN;
        $kinds = $json['kinds'] ?? [];
        if (!is_string($base) || null === HouseStyles::find($base)) {
            throw InvalidStyleSheet::unknownBase(is_string($base) ? $base : '');
        }
        if (!is_array($kinds) || ([] !== $kinds && array_is_list($kinds))) {
            throw InvalidStyleSheet::malformed();
        }
        $sheet = new self(
            self::words($json['name'] ?? null, self::MAX_NAME) ?? throw InvalidStyleSheet::name(),
            strtolower($base),
            [],
            self::words($json['about'] ?? '', self::MAX_ABOUT, 0) ?? throw InvalidStyleSheet::about(),
            isset($json['pages']) ? PageSetup::fromJson($json['pages']) : null,
        );

        return $sheet->withAll($kinds);
    }

    /** @param array<mixed> $kinds */
    private function withAll(array $kinds): self
    {
        $sheet = $this;
        foreach ($kinds as $name => $changes) {
            if (!is_array($changes) || ([] !== $changes && array_is_list($changes))) {
                throw InvalidStyleSheet::malformedKind((string) $name);
            }
            // A kind may rest on one that is defined further down.
            $sheet = $sheet->shaped((string) $name, array_diff_key($changes, ['restsOn' => true]));
        }
        foreach (array_filter(array_map(self::restOf(...), $kinds)) as $name => $rest) {
            $sheet = $sheet->shaped((string) $name, $rest);
        }

        return $sheet;
    }

    /** @return array<mixed> */
    private static function restOf(mixed $changes): array
    {
        return is_array($changes) ? array_intersect_key($changes, ['restsOn' => true]) : [];
    }

    private static function words(mixed $value, int $most, int $least = 1): ?string
    {
        return is_string($value) &&
            mb_check_encoding($value, 'UTF-8') &&
            mb_strlen(trim($value)) >= $least &&
            mb_strlen(trim($value)) <= $most
            ? trim($value)
            : null;
    }

    /**
     * @param array<string, KindDefinition> $kinds
     *
     * @return array<string, KindDefinition> the shipped kinds in the order of a document, then the writer’s own by name
     */
    private static function inOrder(array $kinds): array
    {
        ksort($kinds);
        $ordered = [];
        foreach (TextKind::names() as $name) {
            if (isset($kinds[$name])) {
                $ordered[$name] = $kinds[$name];
            }
        }

        return [...$ordered, ...$kinds];
    }
}
