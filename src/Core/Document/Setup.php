<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\CoreException;
use Stemmata\Core\Numbering\CaptionNumbering;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Style\Cascade;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Style\StyleSheet;

/**
 * What holds for a document throughout: how it is numbered, which parts it must have, how captions are numbered, when
 * it is to be finished, how it looks and stands on pages.
 */
final readonly class Setup
{
    /**
     * @param list<RequiredPart> $requiredParts
     * @param string             $styleName name of a house style that ships
     * @param PageSetup|null     $ownPages  null for those that go with the house style
     * @param array<string, string> $markerWords what markers stand for to the writer, by marker
     * @param StyleSheet|null       $sheet    what the writer says beyond the house style; null for nothing
     */
    public function __construct(
        public Scheme $numbering,
        public array $requiredParts = [],
        public CaptionNumbering $captions = CaptionNumbering::Plain,
        public WritingPlan $plan = new WritingPlan(),
        public string $styleName = HouseStyles::PLAIN,
        public ?PageSetup $ownPages = null,
        public array $markerWords = [],
        public ?StyleSheet $sheet = null,
    ) {}

    public static function plain(): self
    {
        return new self(Scheme::decimal());
    }

    public function style(): HouseStyle
    {
        $shipped = HouseStyles::find($this->styleName) ?? HouseStyles::all()[0];

        return null === $this->sheet ? $shipped : Cascade::of($shipped, $this->sheet);
    }

    /** The writer’s style sheet, which says nothing as long as nothing was changed. */
    public function sheet(): StyleSheet
    {
        return $this->sheet ?? new StyleSheet($this->style()->label, $this->style()->name);
    }

    public function pages(): PageSetup
    {
        return $this->ownPages ?? $this->style()->pages;
    }

    public function withNumbering(Scheme $numbering): self
    {
        return $this->with(numbering: $numbering);
    }

    public function withCaptions(CaptionNumbering $captions): self
    {
        return $this->with(captions: $captions);
    }

    public function withPlan(WritingPlan $plan): self
    {
        return $this->with(plan: $plan);
    }

    /** As it ships. */
    public function withStyle(HouseStyle $style): self
    {
        return $this->with(styleName: $style->name, sheet: false);
    }

    /** One that says nothing is none. */
    public function withSheet(StyleSheet $sheet): self
    {
        $shipped = HouseStyles::find($sheet->basedOn) ?? HouseStyles::all()[0];
        $isNone = [] === $sheet->kinds && null === $sheet->pages && $sheet->name === $shipped->label;

        return $this->with(styleName: $shipped->name, sheet: $isNone ? false : $sheet);
    }

    /** @param PageSetup|null $pages null for those that go with the house style */
    public function withPages(?PageSetup $pages): self
    {
        return $this->with(ownPages: $pages ?? false);
    }

    /** @param string $words what the marker stands for; empty for nothing yet */
    public function withMarkerWords(Marker $marker, string $words): self
    {
        return Marker::None === $marker
            ? $this
            : $this->with(
                markerWords: array_filter(
                    [...$this->markerWords, $marker->value => trim($words)],
                    static fn(string $each): bool => '' !== $each,
                ),
            );
    }

    /**
     * @param PageSetup|false|null       $ownPages    false for none
     * @param array<string, string>|null $markerWords
     * @param StyleSheet|false|null      $sheet       false for none
     */
    private function with(
        ?Scheme $numbering = null,
        ?CaptionNumbering $captions = null,
        ?WritingPlan $plan = null,
        ?string $styleName = null,
        PageSetup|false|null $ownPages = null,
        ?array $markerWords = null,
        StyleSheet|false|null $sheet = null,
    ): self {
        return new self(
            $numbering ?? $this->numbering,
            $this->requiredParts,
            $captions ?? $this->captions,
            $plan ?? $this->plan,
            $styleName ?? $this->styleName,
            false === $ownPages ? null : $ownPages ?? $this->ownPages,
            $markerWords ?? $this->markerWords,
            false === $sheet ? null : $sheet ?? $this->sheet,
        );
    }

    /** @return array<string, mixed> */
    public function toJson(): array
    {
        return array_filter([
            'numbering' => $this->numbering->toJson(),
            'requiredParts' => array_map(static fn(RequiredPart $part): array => $part->toJson(), $this->requiredParts),
            // Older databases know only this of captions: that they bear no numbers.
            'plainCaptions' => CaptionNumbering::None === $this->captions,
            'captionsByChapter' => CaptionNumbering::ByChapter === $this->captions,
            'plan' => $this->plan->toJson(),
            'houseStyle' => HouseStyles::PLAIN === $this->styleName ? null : $this->styleName,
            'pages' => $this->ownPages?->toJson(),
            'markerWords' => $this->markerWords,
            'sheet' => $this->sheet?->toJson(),
        ]);
    }

    /**
     * @param array<mixed> $json
     *
     * @throws CoreException
     */
    public static function fromJson(array $json): self
    {
        $parts = $json['requiredParts'] ?? [];

        return new self(
            Scheme::fromJson($json['numbering'] ?? null),
            array_map(RequiredPart::fromJson(...), is_array($parts) ? array_values($parts) : []),
            match (true) {
                true === ($json['plainCaptions'] ?? false) => CaptionNumbering::None,
                true === ($json['captionsByChapter'] ?? false) => CaptionNumbering::ByChapter,
                default => CaptionNumbering::Plain,
            },
            WritingPlan::fromJson($json['plan'] ?? null),
            is_string($json['houseStyle'] ?? null) ? $json['houseStyle'] : HouseStyles::PLAIN,
            isset($json['pages']) ? PageSetup::fromJson($json['pages']) : null,
            array_filter(
                is_array($json['markerWords'] ?? null) ? $json['markerWords'] : [],
                static fn(mixed $words, mixed $marker): bool => is_string($words) &&
                    is_string($marker) &&
                    null !== Marker::tryFrom($marker),
                \ARRAY_FILTER_USE_BOTH,
            ),
            isset($json['sheet']) ? StyleSheet::fromJson($json['sheet']) : null,
        );
    }
}
