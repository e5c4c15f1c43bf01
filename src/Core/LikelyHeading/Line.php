<?php

declare(strict_types=1);

namespace Stemmata\Core\LikelyHeading;

use Stemmata\Core\Text\Look;
use Stemmata\Core\Text\Node;
use Stemmata\Core\TypedNumber\TypedNumber;

/** What can be seen of one paragraph. */
final readonly class Line
{
    /** Longer lines are text, whatever they look like (characters). */
    private const LONGEST = 150;
    /** Sizes differ when they are this far apart, in percent of the body's. */
    private const SIZE_STEP = 8;

    private function __construct(
        public string $text,
        public int $words,
        public bool $isBold,
        public bool $isItalic,
        public bool $isCaps,
        public int $size,
        public bool $isCentred,
        public bool $hasSpaceAround,
        public string $style,
        public ?TypedNumber $number,
        public string $ending,
    ) {}

    /**
     * The line, or null for a paragraph that cannot be a heading by its form alone.
     *
     * @param array<string, true> $counted digits that begin numbers of several parts elsewhere: “3 Gales” is numbered
     *     when there is a “3.1”
     */
    public static function find(Node $block, array $counted = []): ?self
    {
        if ('paragraph' !== $block->type) {
            return null;
        }
        $text = trim((string) preg_replace('/[ \x{00A0}]+/u', ' ', $block->plainText()));
        $breaks = substr_count($text, "\n");
        if (
            '' === $text ||
            mb_strlen($text) > self::LONGEST ||
            $breaks > 1 ||
            ($breaks > 0 && mb_strlen($text) > 90) ||
            !self::isOfWords($text)
        ) {
            return null;
        }
        $look = Look::of($block);
        $words = (int) preg_match_all('/[\p{L}\p{N}][\p{L}\p{M}\p{N}’\'-]*/u', $text);
        $isCaps = $look->caps || (1 === preg_match('/\p{Lu}.*\p{Lu}/us', $text) && mb_strtoupper($text) === $text);
        $typed = TypedNumber::find(strtr($text, "\n", ' '));
        if (self::isAll($block, 'code') && !self::isAll($block, 'strong') && null === $look->size) {
            // What is typed into a machine stands alone on its line as well.
            return null;
        }

        return new self(
            $text,
            $words,
            self::isAll($block, 'strong'),
            self::isAll($block, 'emphasis'),
            $isCaps,
            (int) (self::SIZE_STEP * round(($look->size ?? 100) / self::SIZE_STEP)) ?: 100,
            'center' === $look->align,
            ($look->before ?? 0) + ($look->after ?? 0) >= 12,
            $look->style,
            null === $typed || ($typed->isWeak && !isset($counted[$typed->own()])) ? null : $typed,
            mb_substr($text, -1),
        );
    }

    /** What makes a line stand out from the text around it. */
    public function standsOut(): bool
    {
        return $this->isBold ||
            $this->isItalic ||
            $this->isCaps ||
            $this->isLarge() ||
            $this->isCentred ||
            null !== $this->number ||
            $this->hasHeadingStyle();
    }

    public function isLarge(): bool
    {
        return $this->size > 100 + self::SIZE_STEP / 2;
    }

    public function hasHeadingStyle(): bool
    {
        return 1 ===
            preg_match('/head|title|chapter|section|überschrift|kapitel|titre|titel|t[ií]tulo/iu', $this->style);
    }

    /** The look alone; lines that share it look alike. */
    public function look(): string
    {
        return implode(
            ' ',
            array_filter([
                $this->size,
                $this->isBold ? 'bold' : '',
                $this->isItalic ? 'italic' : '',
                $this->isCaps ? 'caps' : '',
                $this->isCentred ? 'centred' : '',
                $this->hasHeadingStyle() ? 'style ' . $this->style : '',
            ]),
        );
    }

    /** The look with the kind of number before it. */
    public function kind(): string
    {
        return $this->look() .
            match (true) {
                null === $this->number => '',
                '' !== $this->number->word => ' ' . mb_strtolower($this->number->word),
                default => ' ' . count($this->number->parts),
            };
    }

    /** How much it stands out, so that looks can be ranked: size first, then capitals, weight, the middle, slant. */
    public function prominence(): float
    {
        return $this->size -
            100 +
            ($this->isCaps ? 9 : 0) +
            ($this->isBold ? 10 : 0) +
            ($this->isCentred ? 6 : 0) -
            ($this->isItalic && $this->isBold ? 2 : 0) +
            ($this->isItalic && !$this->isBold ? 3 : 0) +
            ($this->hasSpaceAround ? 0.5 : 0);
    }

    private static function isOfWords(string $text): bool
    {
        return 1 === preg_match('/\p{L}/u', $text) || 1 === preg_match('/\A(?:\d{1,3}|[IVXLC]+)\.?\z/', $text);
    }

    /** Captions, entries of lists and tables, running feet: short lines that are something else. */
    public function isOfOtherKind(): bool
    {
        return 1 ===
            preg_match(
                '/\A(?:fig(?:ure|\.)?|table|tab\.|plate|source|note|box|listing|equation|photo|map|abbildung|tabelle)\s*\d*\s*[.:–—-]|\A(?:figure|table)\s+\d|\A(?:page|seite)\s+\d+|\A[-•*–·▪◦]\s|\t.*\S|\S\s{3,}\S|\A[“"‘\'].*[”"’\']\z|\Ahttps?:|\S@\S/iu',
                $this->text,
            ) ||
            1 ===
                preg_match(
                    '/[{};]\s*\z|\A\s*(?:if|for|while|return|function|class|def|import)\b.*[({:;]|\w\(\)/',
                    $this->text,
                );
    }

    private static function isAll(Node $block, string $mark): bool
    {
        $hasWords = false;
        foreach ($block->content as $node) {
            if ($node->isText() && self::isOfWords($node->text)) {
                $hasWords = true;
                if (null === $node->findMark($mark)) {
                    return false;
                }
            }
        }

        return $hasWords;
    }
}
