<?php

declare(strict_types=1);

namespace Stemmata\Core\Page;

use Stemmata\Core\Language\Characters;

/** How a document stands on pages. */
final readonly class PageSetup
{
    /** Millimetres that margins must leave for the text, across and down. */
    private const LEAST_ROOM = 40.0;
    private const MAX_LINES = 12;
    private const MAX_LINE = 200;
    private const MAX_NUMBER = 9999;

    /**
     * @param bool               $hasTitlePage made of the document's own title, subtitle, authors and date
     * @param list<string>       $titleLines   lines of the writer's own under these
     * @param bool               $isFrontRoman whether the pages before the body bear small romans and the body begins
     *     at 1 (common practice)
     * @param string|null        $bodyFrom     id of the section with which the body begins; null for the first numbered
     *     one of level 1
     * @param array<string, int> $restarts     page numbers set on purpose, by the id of the section that begins there
     * @param RunningLine|null   $header       of all pages, or of right-hand ones; null for what is usual
     * @param RunningLine|null   $footer       likewise
     * @param RunningLine|null   $evenHeader   of left-hand pages; null for the other one, mirrored
     * @param RunningLine|null   $evenFooter   likewise
     * @param RunningLine|null   $firstHeader  of the page on which a chapter begins; null for none there
     * @param RunningLine|null   $firstFooter  likewise; null for the same as elsewhere
     */
    public function __construct(
        public Paper $paper = Paper::A4,
        public Margins $margins = new Margins(25, 25, 25, 25),
        public bool $isTwoSided = false,
        public ChapterStart $chapters = ChapterStart::Following,
        public bool $hasTitlePage = true,
        public array $titleLines = [],
        public bool $isFrontRoman = false,
        public ?string $bodyFrom = null,
        public array $restarts = [],
        public ?RunningLine $header = null,
        public ?RunningLine $footer = null,
        public ?RunningLine $evenHeader = null,
        public ?RunningLine $evenFooter = null,
        public ?RunningLine $firstHeader = null,
        public ?RunningLine $firstFooter = null,
    ) {}

    /** The same with a page number set on purpose where a section begins. */
    public function withRestart(string $section, int $number): self
    {
        return new self(
            $this->paper,
            $this->margins,
            $this->isTwoSided,
            $this->chapters,
            $this->hasTitlePage,
            $this->titleLines,
            $this->isFrontRoman,
            $this->bodyFrom,
            [$section => $number] + $this->restarts,
            $this->header,
            $this->footer,
            $this->evenHeader,
            $this->evenFooter,
            $this->firstHeader,
            $this->firstFooter,
        );
    }

    /** The header of right-hand pages, or of all. */
    public function rightHeader(): RunningLine
    {
        return $this->header ??
            ($this->isTwoSided ? new RunningLine(end: [RunningField::Heading1]) : new RunningLine());
    }

    public function rightFooter(): RunningLine
    {
        return $this->footer ?? new RunningLine(middle: [RunningField::Page]);
    }

    public function evenHeader(): RunningLine
    {
        return $this->evenHeader ??
            ($this->isTwoSided && null === $this->header
                ? new RunningLine(start: [RunningField::Title])
                : $this->rightHeader()->mirrored());
    }

    public function evenFooter(): RunningLine
    {
        return $this->evenFooter ?? $this->rightFooter()->mirrored();
    }

    public function firstHeader(): RunningLine
    {
        return $this->firstHeader ?? new RunningLine();
    }

    public function firstFooter(): RunningLine
    {
        return $this->firstFooter ?? $this->rightFooter();
    }

    /**
     * The same with some of it changed, after JSON Merge Patch (RFC 7396): what is not named stays, null takes away, lists
     * are taken whole. An empty object cannot be told from an empty list, and counts as one. A header or footer that is
     * named in part has the rest of what is printed there now.
     *
     * @param array<mixed> $changes fields of the form that toJson gives
     *
     * @throws InvalidPageSetup in a sentence that tells what is wrong
     */
    public function changedBy(array $changes): self
    {
        $printed = array_map(
            static fn(RunningLine $line): array => $line->toJson(),
            array_intersect_key($this->runningLines(), $changes),
        );
        // Through JSON, for there objects are arrays as in what comes from outside.
        $now = json_decode(json_encode($this->toJson(), \JSON_THROW_ON_ERROR), true, flags: \JSON_THROW_ON_ERROR);

        return self::fromJson(self::merged([...$printed, ...(array) $now], $changes));
    }

    /** Whether there is anything said of headers and footers, beyond a page number at the foot. */
    public function saysRunningLines(): bool
    {
        return [] !==
            array_filter([
                $this->header,
                $this->footer,
                $this->evenHeader,
                $this->evenFooter,
                $this->firstHeader,
                $this->firstFooter,
            ]);
    }

    /** @return array<string, RunningLine> by name, as they are printed, also where nothing is said of them */
    public function runningLines(): array
    {
        return [
            'header' => $this->rightHeader(),
            'footer' => $this->rightFooter(),
            'evenHeader' => $this->evenHeader(),
            'evenFooter' => $this->evenFooter(),
            'firstHeader' => $this->firstHeader(),
            'firstFooter' => $this->firstFooter(),
        ];
    }

    /** @return array<string, mixed> */
    public function toJson(): array
    {
        $line = static fn(?RunningLine $line): ?object => null === $line ? null : (object) $line->toJson();

        return array_filter(
            [
                'paper' => $this->paper->value,
                'margins' => (array) $this->margins,
                'twoSided' => $this->isTwoSided,
                'chapters' => $this->chapters->value,
                'titlePage' => $this->hasTitlePage,
                'titleLines' => $this->titleLines,
                'romanFront' => $this->isFrontRoman,
                'bodyFrom' => $this->bodyFrom,
                'restarts' => (object) $this->restarts,
                'header' => $line($this->header),
                'footer' => $line($this->footer),
                'evenHeader' => $line($this->evenHeader),
                'evenFooter' => $line($this->evenFooter),
                'firstHeader' => $line($this->firstHeader),
                'firstFooter' => $line($this->firstFooter),
            ],
            static fn(mixed $value): bool => null !== $value,
        );
    }

    /** @throws InvalidPageSetup in a sentence that tells what is wrong */
    public static function fromJson(mixed $json): self
    {
        if (!is_array($json)) {
            throw InvalidPageSetup::malformed();
        }
        $line = static fn(string $name): ?RunningLine => isset($json[$name])
            ? RunningLine::fromJson($json[$name])
            : null;
        $setup = new self(
            self::oneOf(Paper::class, $json['paper'] ?? null),
            self::readMargins($json['margins'] ?? null),
            true === ($json['twoSided'] ?? false),
            self::oneOf(ChapterStart::class, $json['chapters'] ?? null),
            true === ($json['titlePage'] ?? false),
            self::readLines($json['titleLines'] ?? []),
            true === ($json['romanFront'] ?? false),
            is_string($json['bodyFrom'] ?? null) ? $json['bodyFrom'] : null,
            self::readRestarts($json['restarts'] ?? []),
            $line('header'),
            $line('footer'),
            $line('evenHeader'),
            $line('evenFooter'),
            $line('firstHeader'),
            $line('firstFooter'),
        );
        [$width, $height] = $setup->paper->size();
        $margins = $setup->margins;
        if (
            $width - $margins->inner - $margins->outer < self::LEAST_ROOM ||
            $height - $margins->top - $margins->bottom < self::LEAST_ROOM
        ) {
            throw InvalidPageSetup::noRoom();
        }

        return $setup;
    }

    /** RFC 7396, section 2. */
    private static function merged(mixed $now, mixed $change): mixed
    {
        if (!is_array($change) || array_is_list($change)) {
            return $change;
        }
        $merged = is_array($now) ? $now : [];
        foreach ($change as $name => $value) {
            if (null === $value) {
                unset($merged[$name]);
            } else {
                $merged[$name] = self::merged($merged[$name] ?? null, $value);
            }
        }

        return $merged;
    }

    /**
     * @template E of \BackedEnum
     *
     * @param class-string<E> $enum
     *
     * @return E
     */
    private static function oneOf(string $enum, mixed $value): \BackedEnum
    {
        return (is_string($value) ? $enum::tryFrom($value) : null) ?? throw InvalidPageSetup::malformed();
    }

    private static function readMargins(mixed $json): Margins
    {
        if (!is_array($json) || 4 !== count($json)) {
            throw InvalidPageSetup::malformed();
        }
        $width = static function (string $side, int $place) use ($json): float {
            // Databases of November 2026 hold a list.
            $width = $json[$side] ?? ($json[$place] ?? null);

            return is_int($width) || is_float($width) ? (float) $width : throw InvalidPageSetup::margins();
        };
        $margins = new Margins($width('top', 0), $width('bottom', 1), $width('inner', 2), $width('outer', 3));

        return $margins->areSound() ? $margins : throw InvalidPageSetup::margins();
    }

    /** @return list<string> */
    private static function readLines(mixed $json): array
    {
        if (!is_array($json) || !array_is_list($json) || count($json) > self::MAX_LINES) {
            throw InvalidPageSetup::titleLines();
        }

        return array_map(
            static fn(mixed $line): string => is_string($line) &&
            mb_check_encoding($line, 'UTF-8') &&
            mb_strlen($line) <= self::MAX_LINE
                ? Characters::cleaned($line)
                : throw InvalidPageSetup::titleLines(),
            $json,
        );
    }

    /** @return array<string, int> */
    private static function readRestarts(mixed $json): array
    {
        $restarts = [];
        foreach (is_array($json) ? $json : [] as $id => $number) {
            $restarts[(string) $id] =
                is_int($number) && $number >= 1 && $number <= self::MAX_NUMBER
                    ? $number
                    : throw InvalidPageSetup::pageNumber();
        }

        return $restarts;
    }
}
