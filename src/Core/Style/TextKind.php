<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

/**
 * The kinds of text that every style sheet has a look for. Some have one for each level, 1 to 9; then the level is part
 * of the name: “heading-2”.
 */
enum TextKind: string
{
    case Title = 'title';
    case Subtitle = 'subtitle';
    case TitleLine = 'title-line';
    case Heading = 'heading';
    case Body = 'body';
    case FirstParagraph = 'first-paragraph';
    case Quotation = 'quotation';
    case ListItem = 'list-item';
    case Caption = 'caption';
    case TableHead = 'table-head';
    case TableCell = 'table-cell';
    case Code = 'code';
    case Formula = 'formula';
    case Footnote = 'footnote';
    case ContentsTitle = 'contents-title';
    case ContentsLine = 'contents-line';
    case RunningLine = 'running-line';

    private const LETTERS = [
        StyleProperty::Face,
        StyleProperty::Size,
        StyleProperty::Weight,
        StyleProperty::Slant,
        StyleProperty::Capitals,
        StyleProperty::LetterSpacing,
        StyleProperty::Colour,
        StyleProperty::Ground,
        StyleProperty::Underline,
        StyleProperty::Figures,
    ];
    private const LINES = [StyleProperty::Alignment, StyleProperty::LineHeight, StyleProperty::Hyphenation];
    private const SPACE = [StyleProperty::SpaceBefore, StyleProperty::SpaceAfter];
    private const INDENTS = [StyleProperty::FirstLine, StyleProperty::IndentStart, StyleProperty::IndentEnd];
    private const RULES = [StyleProperty::RuleAbove, StyleProperty::RuleBelow, StyleProperty::Frame];
    private const KEEPING = [StyleProperty::KeepWithNext, StyleProperty::KeepTogether];
    private const PARAGRAPHS = [
        ...self::LETTERS,
        ...self::LINES,
        ...self::SPACE,
        ...self::INDENTS,
        ...self::RULES,
        ...self::KEEPING,
    ];

    public function hasLevels(): bool
    {
        return in_array($this, [self::Heading, self::ListItem, self::ContentsLine], true);
    }

    /** @param int $level 1 to 9, for kinds that have levels */
    public function named(int $level = 1): string
    {
        return $this->hasLevels() ? $this->value . '-' . $level : $this->value;
    }

    /** @return array{self, int}|null the kind with its level of a name such as “heading-2”; null for no shipped kind */
    public static function find(string $name): ?array
    {
        if (1 === preg_match('/\A(.+)-([1-9])\z/', $name, $match) && true === self::tryFrom($match[1])?->hasLevels()) {
            return [self::from($match[1]), (int) $match[2]];
        }
        $kind = self::tryFrom($name);

        return null === $kind || $kind->hasLevels() ? null : [$kind, 1];
    }

    /** @return list<string> the names of all, in the order of a document */
    public static function names(): array
    {
        $names = [];
        foreach (self::cases() as $kind) {
            array_push($names, ...array_map($kind->named(...), $kind->hasLevels() ? range(1, 9) : [1]));
        }

        return $names;
    }

    public function label(int $level = 1): string
    {
        return match ($this) {
            self::Title => 'Title',
            self::Subtitle => 'Subtitle',
            self::TitleLine => 'Lines of the title page',
            self::Heading => sprintf('Heading %d', $level),
            self::Body => 'Body text',
            self::FirstParagraph => 'First paragraph',
            self::Quotation => 'Block quotation',
            self::ListItem => 1 === $level ? 'List item' : sprintf('List item, depth %d', $level),
            self::Caption => 'Caption',
            self::TableHead => 'Table heading',
            self::TableCell => 'Table cell',
            self::Code => 'Code',
            self::Formula => 'Formula',
            self::Footnote => 'Footnote',
            self::ContentsTitle => 'Title of the contents',
            self::ContentsLine => sprintf('Contents, level %d', $level),
            self::RunningLine => 'Header and footer',
        };
    }

    /**
     * What paragraphs within a block are of, as long as they are of no kind of the writer’s own.
     *
     * @param string $block  its type
     * @param self   $around what they are of around it
     */
    public static function within(string $block, self $around): self
    {
        return match ($block) {
            'quotation' => self::Quotation,
            'listItem' => self::ListItem,
            default => $around,
        };
    }

    /** @param int $depth of lists, 0 outside of any; deeper ones than the ninth are as that */
    public function atDepth(int $depth): string
    {
        return $this->named(max(1, min(9, $depth)));
    }

    /** What a kind rests on as long as its definition does not say otherwise; null for the body, which rests on nothing. */
    public function restsOn(int $level = 1): ?string
    {
        return match (true) {
            self::Body === $this => null,
            self::ListItem === $this && $level > 1 => self::ListItem->named($level - 1),
            self::TableHead === $this => self::TableCell->value,
            default => self::Body->value,
        };
    }

    /** @return list<StyleProperty> what can be said of it; the rest would have no meaning there */
    public function properties(): array
    {
        return match ($this) {
            self::Body,
            self::FirstParagraph,
            self::Title,
            self::Subtitle,
            self::TitleLine,
            self::Caption
                => self::PARAGRAPHS,
            self::Heading, self::Quotation, self::ContentsTitle => self::ofParagraphs(),
            self::ListItem => [...self::LETTERS, ...self::LINES, ...self::SPACE],
            self::TableHead, self::TableCell => [
                ...self::LETTERS,
                StyleProperty::LineHeight,
                StyleProperty::Hyphenation,
            ],
            self::Code => [
                ...self::LETTERS,
                StyleProperty::LineHeight,
                ...self::SPACE,
                StyleProperty::IndentStart,
                StyleProperty::IndentEnd,
                ...self::RULES,
            ],
            self::Formula => [StyleProperty::Size, StyleProperty::Colour, ...self::SPACE],
            self::Footnote => [...self::LETTERS, ...self::LINES, StyleProperty::SpaceAfter],
            self::ContentsLine => [
                ...self::LETTERS,
                StyleProperty::LineHeight,
                ...self::SPACE,
                StyleProperty::IndentStart,
                StyleProperty::IndentEnd,
            ],
            self::RunningLine => self::LETTERS,
        };
    }

    /** @return list<StyleProperty> what can be said of a kind of paragraph of the writer’s own */
    public static function ofParagraphs(): array
    {
        return [...self::PARAGRAPHS, StyleProperty::NewPage];
    }

    /** @return list<StyleProperty> what can be said of a kind of words */
    public static function ofWords(): array
    {
        return self::LETTERS;
    }
}
