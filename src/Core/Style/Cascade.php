<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/**
 * What becomes of a house style with a style sheet laid over it. Each kind says how it differs from the kind that it
 * rests on; the rest it takes from there. So what is changed of the body reaches every kind that says nothing else.
 *
 * Sizes of the house style are kept as shares of what they rest on: letters of another size of the body make all others
 * larger or smaller with it. Spaces and indents stay.
 */
final class Cascade
{
    /** Decimals of a size in points. */
    private const EXACT = 4;
    /** What is drawn around paragraphs of the body, and how they keep together, no other kind takes from it. */
    private const ITS_OWN = [
        'ground' => 'none',
        'ruleAbove' => 'none',
        'ruleBelow' => 'none',
        'frame' => 'none',
        'keepWithNext' => 'no',
        'keepTogether' => 'no',
    ];

    /** @var array<string, array<string, string>> what is said of each kind, all of it */
    private array $full = [];

    private function __construct(private readonly HouseStyle $base, private readonly StyleSheet $sheet) {}

    /** @var \WeakMap<StyleSheet, HouseStyle>|null what came of sheets that are still around: it is asked for at every section */
    private static ?\WeakMap $made = null;

    /** @param HouseStyle $base the one that the sheet is based on */
    public static function of(HouseStyle $base, StyleSheet $sheet): HouseStyle
    {
        self::$made ??= new \WeakMap();

        return self::$made[$sheet] ??= self::made($base, $sheet);
    }

    private static function made(HouseStyle $base, StyleSheet $sheet): HouseStyle
    {
        $cascade = new self($base, $sheet);
        $looks = [];
        foreach (TextKind::names() as $name) {
            $looks[$name] = TextStyle::of($cascade->full($name));
        }
        $own = [];
        $words = [];
        foreach ($sheet->own() as $name => $definition) {
            if ($definition->isWords) {
                $words[$name] = new WordLook($cascade->ofWords($name));
            } else {
                $own[$name] = TextStyle::of($cascade->full($name));
            }
        }

        return new HouseStyle(
            $base->name,
            $sheet->name,
            $sheet->about,
            $sheet->pages ?? $base->pages,
            $looks,
            $own,
            $words,
            true,
            array_map(static fn(KindDefinition $kind): string => (string) $kind->label, $sheet->own()),
        );
    }

    /** @return array<string, string> */
    private function full(string $kind): array
    {
        return $this->full[$kind] ??= $this->cascaded($kind);
    }

    /** @return array<string, string> */
    private function cascaded(string $kind): array
    {
        $definition = $this->sheet->definition($kind);
        $below = $this->sheet->restsOn($kind);
        if (null === $below) {
            $said = [...$this->base->looks[$kind]->said(), ...$definition->said];

            return [...$said, 'size' => self::sized($said['size'], $this->base->looks[$kind]->size)];
        }
        $rested = $this->full($below);
        $isOfTheBody = TextKind::FirstParagraph->value === $kind || TextKind::Body->value !== $below;
        $said = [
            ...$rested,
            ...$isOfTheBody ? [] : self::ITS_OWN,
            // Every paragraph of it would begin a page.
            'newPage' => 'no',
            ...null === $definition->restsOn ? $this->difference($kind) : [],
            ...$definition->said,
        ];

        return [...$said, 'size' => self::sized($said['size'], (float) $rested['size'])];
    }

    /**
     * What the house style says of a shipped kind that it does not say of the one that this rests on.
     *
     * @return array<string, string>
     */
    private function difference(string $kind): array
    {
        $shipped = TextKind::find($kind);
        $below = null === $shipped ? null : $shipped[0]->restsOn($shipped[1]);
        if (null === $below) {
            return [];
        }
        [$look, $rested] = [$this->base->looks[$kind], $this->base->looks[$below]];
        $difference = array_diff_assoc($look->said(), $rested->said());
        if (isset($difference['size'])) {
            $difference['size'] = StyleProperty::number((100 * $look->size) / $rested->size) . '%';
        }

        return $difference;
    }

    /** @return array<string, string> what is said of words, down to a kind of words that rests on none */
    private function ofWords(string $kind): array
    {
        $definition = $this->sheet->definition($kind);
        if (!$definition->isWords) {
            return [];
        }
        $rested = null === $definition->restsOn ? [] : $this->ofWords($definition->restsOn);

        return KindDefinition::inOrder([...$rested, ...$definition->said]);
    }

    private static function sized(string $size, float $of): string
    {
        $points = str_ends_with($size, '%') ? ($of * (float) $size) / 100 : (float) $size;

        return StyleProperty::number(round(min(144, max(1, $points)), self::EXACT)) . 'pt';
    }
}
