<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\Node;

/**
 * How often each kind of text is there, in which section first, and with which words; and all the places of one kind.
 *
 * @phpstan-type Place array{section: string, from: int, to: int, isInHeading: bool, words: string}
 */
final class KindUses
{
    /** Characters of what a kind is shown by. */
    private const MOST_WORDS = 240;

    /** @var array<string, array{count: int, section: string, words: string}> by the name of the kind */
    private array $uses = [];

    /** @var list<Place> of the kind that is looked for */
    private array $places = [];

    /**
     * @param string|null $wanted the kind whose places are looked for
     * @param int         $most   of them
     */
    private function __construct(private readonly ?string $wanted = null, private readonly int $most = 0) {}

    /**
     * @return list<Place> where a kind is, in the order of the text, up to so many; positions are the editor’s. What stands
     * on the title page has no place in the text.
     */
    public static function places(Document $document, string $kind, int $most): array
    {
        $uses = new self($kind, $most);
        foreach ($document->sections() as $position => $section) {
            if (count($uses->places) >= $most) {
                break;
            }
            $uses->section($section, $document->outline->levelAt($position)->value);
        }

        return $uses->places;
    }

    /** @return array<string, array{count: int, section: string, words: string}> by the name of the kind; none that is not there */
    public static function in(Document $document): array
    {
        $uses = new self();
        foreach (
            [
                TextKind::Title->value => $document->titleBlock->title,
                TextKind::Subtitle->value => $document->titleBlock->subtitle,
                TextKind::TitleLine->value => $document->titleBlock->author,
            ]
            as $kind => $words
        ) {
            if ('' !== trim($words)) {
                $uses->found($kind, $document->outline->idAt(0)->value, null, static fn(): string => $words);
            }
        }
        foreach ($document->sections() as $position => $section) {
            $uses->section($section, $document->outline->levelAt($position)->value);
        }

        return $uses->uses;
    }

    private function section(Section $section, int $level): void
    {
        $id = $section->id->value;
        if ($level > 0 && [] !== $section->heading->inline) {
            $size = Node::sizeOf($section->heading->inline);
            $this->found(TextKind::Heading->named($level), $id, [0, $size, true], $section->heading->plainText(...));
            $this->inline($section->heading->inline, $id, 0, true);
        }
        $at = 0;
        foreach ($section->body->blocks as $index => $block) {
            $this->block($block, $id, $at, 0 === $index && $level > 0 ? TextKind::FirstParagraph : TextKind::Body, 0);
            $at += $block->size();
        }
    }

    /**
     * @param array{int, int, bool}|null $place from, to, whether it is in the heading; null for the title page
     * @param \Closure(): string         $words asked for once
     */
    private function found(string $kind, string $section, ?array $place, \Closure $words): void
    {
        if (null !== $this->wanted) {
            if ($kind === $this->wanted && null !== $place && count($this->places) < $this->most) {
                [$from, $to, $isInHeading] = $place;
                $this->places[] = [
                    'section' => $section,
                    'from' => $from,
                    'to' => $to,
                    'isInHeading' => $isInHeading,
                    'words' => self::begun($words()),
                ];
            }

            return;
        }
        $found = $this->uses[$kind] ?? null;
        $first = null === $found || '' === $found['words'] ? self::begun($words()) : $found['words'];
        $this->uses[$kind] = [
            'count' => 1 + ($found['count'] ?? 0),
            'section' => $found['section'] ?? $section,
            'words' => $first,
        ];
    }

    /** The first words, none of them cut. */
    private static function begun(string $words): string
    {
        $words = trim($words);
        if (mb_strlen($words) <= self::MOST_WORDS) {
            return $words;
        }
        $begun = mb_substr($words, 0, self::MOST_WORDS);

        return (preg_replace('/\s+\S*\z/u', '', $begun) ?? $begun) . ' …';
    }

    private function block(Node $block, string $section, int $at, TextKind $around, int $depth): void
    {
        // What is within it; a leaf is its own place.
        $place = BodySchema::isLeaf($block->type) ? [$at, $at + 1, false] : [$at + 1, $at + $block->size() - 1, false];
        $kind = match ($block->type) {
            'paragraph' => $block->kind() ?? $around->atDepth($depth),
            'codeBlock', 'calculation' => TextKind::Code->value,
            'formulaBlock' => TextKind::Formula->value,
            'tableCell' => true === $block->attribute('header')
                ? TextKind::TableHead->value
                : TextKind::TableCell->value,
            'figure', 'caption' => [] === $block->content ? null : TextKind::Caption->value,
            'contents' => '' === $block->textAttribute('title') ? null : TextKind::ContentsTitle->value,
            default => null,
        };
        if (null !== $kind) {
            $this->found(
                $kind,
                $section,
                $place,
                static fn(): string => 'contents' === $block->type
                    ? $block->textAttribute('title')
                    : $block->plainText(),
            );
        }
        $lines = 'contents' === $block->type ? $block->attribute('lines') : [];
        foreach (is_array($lines) ? $lines : [] as $line) {
            $level = is_array($line) ? $line['level'] ?? null : null;
            if (is_int($level)) {
                $words = $line['words'] ?? ($line['heading'] ?? '');
                $this->found(
                    TextKind::ContentsLine->named($level),
                    $section,
                    $place,
                    static fn(): string => is_string($words) ? $words : '',
                );
            }
        }
        $this->inline($block->content, $section, $at + 1, false);
        $within = TextKind::within($block->type, $around);
        $deeper = $depth + ('listItem' === $block->type ? 1 : 0);
        ++$at;
        foreach ($block->content as $child) {
            if (!$child->isText()) {
                $this->block($child, $section, $at, $within, $deeper);
            }
            $at += $child->size();
        }
    }

    /** @param list<Node> $inline */
    private function inline(array $inline, string $section, int $at, bool $isInHeading): void
    {
        foreach (self::stretches($inline) as [$kind, $parts]) {
            $to = $at + Node::sizeOf($parts);
            if (null !== $kind) {
                $this->found(
                    $kind,
                    $section,
                    [$at, $to, $isInHeading],
                    static fn(): string => Node::plainTextOf($parts),
                );
            }
            foreach ($parts as $part) {
                if ('footnote' === $part->type) {
                    $place = [$at, $at + $part->size(), $isInHeading];
                    $this->found(TextKind::Footnote->value, $section, $place, $part->plainText(...));
                }
                $at += $part->size();
            }
        }
    }

    /**
     * Neighbours of one kind are one stretch of words.
     *
     * @param list<Node> $inline
     *
     * @return list<array{string|null, non-empty-list<Node>}>
     */
    private static function stretches(array $inline): array
    {
        $stretches = [];
        foreach ($inline as $part) {
            $kind = $part->findMark('kind')?->attribute('name');
            $last = array_key_last($stretches);
            if (null !== $last && $stretches[$last][0] === $kind) {
                $stretches[$last][1][] = $part;
            } else {
                $stretches[] = [is_string($kind) ? $kind : null, [$part]];
            }
        }

        return $stretches;
    }
}
