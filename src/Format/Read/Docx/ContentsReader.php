<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsPages;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Contents\LineLook;
use Stemmata\Format\Read\Contents\FoundContents;
use Stemmata\Format\Read\Package\Xml;

/** Contents in a word-processing document (ECMA-376-1, 17.16.5.68): a field whose result is paragraphs, a line each. */
final class ContentsReader
{
    /** The lines of one field that stands in no content control, paragraph by paragraph. */
    private ?FoundContents $open = null;
    private bool $isOther = false;

    /** Contents that we wrote ourselves say in a tag what they are made of. */
    public static function findOurs(\DOMElement $control): ?FoundContents
    {
        if (
            1 !==
            preg_match(
                '/\A\s*contents ([1-9])-([1-9])((?: [a-z1-9-]+)*)\z/',
                Xml::value(Xml::child($control, 'sdtPr'), 'tag') ?? '',
                $made,
            )
        ) {
            return null;
        }
        $paragraphs = self::paragraphs($control);
        $isTitle = 'TOCHeading' === Xml::value(Xml::child($paragraphs[0] ?? null, 'pPr'), 'pStyle');
        $said = explode(' ', $made[3]);
        $found = new FoundContents(
            new ContentsSettings(
                (int) $made[1],
                max((int) $made[1], (int) $made[2]),
                in_array('numbers', $said, true),
                $isTitle ? $paragraphs[0]->textContent ?? '' : '',
                self::among(ContentsPages::cases(), $said) ?? ContentsPages::Dotted,
                in_array('two-columns', $said, true),
                in_array('shaded', $said, true),
                in_array('own-page', $said, true),
                in_array('always-current', $said, true),
                of: self::among(ContentsOf::cases(), $said) ?? ContentsOf::Headings,
                looks: self::looks($said),
            ),
            true,
        );
        foreach ($paragraphs as $paragraph) {
            $link = Xml::child($paragraph, 'hyperlink');
            $anchor = null === $link ? '' : (string) Xml::attribute($link, 'anchor');
            if (null !== $link && 0 < $link->getElementsByTagNameNS('*', 'vanish')->length) {
                $found->leftOut($anchor, (int) $link->textContent);
            } elseif (null !== $link) {
                $found->line($anchor, $link->textContent, self::levelOf($paragraph), Xml::attribute($link, 'tooltip'));
            }
        }

        return $found;
    }

    /** What another program holds in a content control made for contents. */
    public static function inControl(\DOMElement $control): FoundContents
    {
        $title = '';
        $paragraphs = self::paragraphs($control);
        if (null === self::findLine($paragraphs[0] ?? null) && '' === self::instruction($paragraphs[0] ?? null)) {
            $title = trim($paragraphs[0]->textContent ?? '');
        }
        $instruction = implode(' ', array_map(self::instruction(...), $paragraphs));
        $found = self::begun($instruction, $title);
        foreach ($paragraphs as $paragraph) {
            self::take($found, $paragraph);
        }

        return $found;
    }

    /** One more paragraph of contents that stand among the others. */
    public function paragraph(\DOMElement $paragraph): void
    {
        if (null === $this->open) {
            $instruction = self::instruction($paragraph);
            // Lists of figures, tables and terms are made here in other ways.
            $this->isOther = 1 === preg_match('/\A\s*(?:INDEX\b|TOC\b.*\\\\[ac]\b)/i', $instruction);
            $this->open = self::begun($instruction, '');
        }
        if (!$this->isOther) {
            self::take($this->open, $paragraph);
        }
    }

    /** The contents that have come to their end; null when there were none. */
    public function ended(): ?FoundContents
    {
        $found = $this->open;
        $this->open = null;

        return $found;
    }

    private static function begun(string $instruction, string $title): FoundContents
    {
        return 1 === preg_match('/\\\\o\s+"?([1-9])-([1-9])/', $instruction, $levels) && $levels[1] <= $levels[2]
            ? FoundContents::byProgram($title, (int) $levels[1], (int) $levels[2])
            : FoundContents::byProgram($title);
    }

    private static function take(FoundContents $found, \DOMElement $paragraph): void
    {
        $line = self::findLine($paragraph);
        if (null !== $line) {
            $found->line($line[0], $line[1], self::levelOf($paragraph));
        }
    }

    /** @return array{string, string}|null where a line leads, and what it says */
    private static function findLine(?\DOMElement $paragraph): ?array
    {
        $anchor = '';
        foreach ($paragraph?->getElementsByTagNameNS('*', 'hyperlink') ?? [] as $link) {
            $anchor = $anchor ?: (string) Xml::attribute($link, 'anchor');
        }
        if (
            '' === $anchor &&
            1 === preg_match('/(?:\\\\l|PAGEREF)\s+"?([^"\s\\\\]+)/', self::instruction($paragraph), $match)
        ) {
            $anchor = $match[1];
        }
        $words = '';
        foreach ($paragraph?->getElementsByTagNameNS('*', '*') ?? [] as $part) {
            $words .= match ($part->localName) {
                't' => $part->textContent,
                'tab' => 'r' === $part->parentNode?->localName ? "\t" : '',
                default => '',
            };
        }

        return '' === trim($words) || ('' === $anchor && !str_contains($words, "\t")) ? null : [$anchor, $words];
    }

    private static function instruction(?\DOMElement $paragraph): string
    {
        $words = '';
        foreach ($paragraph?->getElementsByTagNameNS('*', '*') ?? [] as $part) {
            $words .= match ($part->localName) {
                'instrText' => $part->textContent,
                'fldSimple' => (string) Xml::attribute($part, 'instr'),
                default => '',
            };
        }

        return $words;
    }

    /** @return list<\DOMElement> */
    private static function paragraphs(\DOMElement $control): array
    {
        $paragraphs = [];
        foreach (Xml::child($control, 'sdtContent')?->getElementsByTagNameNS('*', 'p') ?? [] as $paragraph) {
            $paragraphs[] = $paragraph;
        }

        return $paragraphs;
    }

    private static function levelOf(\DOMElement $paragraph): int
    {
        $style = (string) Xml::value(Xml::child($paragraph, 'pPr'), 'pStyle');

        return 1 === preg_match('/([1-9])\z/', $style, $match) ? (int) $match[1] : 0;
    }

    /**
     * @param list<string> $said
     *
     * @return array<int, LineLook> from “strong-1”
     */
    private static function looks(array $said): array
    {
        $looks = [];
        foreach ($said as $each) {
            if (1 === preg_match('/\A([a-z]+)-([1-9])\z/', $each, $match)) {
                $looks[(int) $match[2]] = $match[1];
            }
        }

        return LineLook::byLevel($looks);
    }

    /**
     * @template E of \BackedEnum
     *
     * @param list<E>      $cases
     * @param list<string> $said
     *
     * @return E|null the one that is named
     */
    private static function among(array $cases, array $said): ?\BackedEnum
    {
        foreach ($cases as $case) {
            if (in_array($case->value, $said, true)) {
                return $case;
            }
        }

        return null;
    }
}
