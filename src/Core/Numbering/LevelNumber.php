<?php

declare(strict_types=1);

namespace Stemmata\Core\Numbering;

/** How the headings of one level are numbered. */
final readonly class LevelNumber
{
    /**
     * @param string $word        what stands before the number, such as “Chapter”; empty for none
     * @param bool   $withParents whether the number of the heading above comes first, as in “3.1”
     * @param string $separator   what stands between the two
     * @param bool   $restarts    whether counting begins again under each heading above; chapters often count on
     *     through parts
     * @param int    $start       the first number, 0 or more
     * @param bool   $fillsSkipped whether a skipped level counts as 0, as in “2.0.1”; else it adds no part
     */
    public function __construct(
        public NumberStyle $style = NumberStyle::Arabic,
        public string $word = '',
        public bool $withParents = true,
        public string $separator = '.',
        public bool $restarts = true,
        public int $start = 1,
        public bool $fillsSkipped = false,
    ) {}

    /** @return array<string, mixed> */
    public function toJson(): array
    {
        return [
            'style' => $this->style->value,
            'word' => $this->word,
            'withParents' => $this->withParents,
            'separator' => $this->separator,
            'restarts' => $this->restarts,
            'start' => $this->start,
            'fillsSkipped' => $this->fillsSkipped,
        ];
    }

    /**
     * @param array<mixed> $json
     *
     * @throws InvalidScheme
     */
    public static function fromJson(array $json): self
    {
        $style = is_string($json['style'] ?? null) ? NumberStyle::tryFrom($json['style']) : null;
        $word = $json['word'] ?? '';
        $separator = $json['separator'] ?? '.';
        $start = $json['start'] ?? 1;
        $isSound =
            null !== $style &&
            is_string($word) &&
            mb_strlen($word) <= 40 &&
            is_string($separator) &&
            mb_strlen($separator) <= 3 &&
            is_int($start) &&
            $start >= 0 &&
            $start <= 999_999;
        if (!$isSound) {
            throw InvalidScheme::malformed();
        }

        return new self(
            $style,
            $word,
            true === ($json['withParents'] ?? true),
            $separator,
            true === ($json['restarts'] ?? true),
            $start,
            true === ($json['fillsSkipped'] ?? false),
        );
    }
}
