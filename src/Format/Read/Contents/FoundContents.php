<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Contents;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/**
 * Contents as a file holds them. Their lines are collected anew when all headings are known; what a file’s line says
 * otherwise than its heading is kept as done by hand. Files of our own say which those are. Of another program’s nobody
 * can tell a worded line from one that is out of date: they count as worded as long as most lines agree.
 *
 * @phpstan-import-type Line from ContentsLines
 */
final class FoundContents
{
    /** So many lines of another program’s must lead into the document, and half of them. */
    private const LEAST = 2;

    /** @var list<array{anchor: string, printed: string, level: int, byHand: string|null}> */
    private array $lines = [];
    /** @var list<array{anchor: string, which: int}> */
    private array $leftOut = [];

    /**
     * @param ContentsSettings $settings of another program’s the title counts, and the levels when they are known
     * @param bool             $isOurs   whether the file is one of ours
     */
    public function __construct(
        private readonly ContentsSettings $settings,
        public readonly bool $isOurs,
        private readonly bool $hasLevels = true,
    ) {}

    public static function byProgram(string $title = '', ?int $from = null, ?int $to = null): self
    {
        return new self(
            new ContentsSettings($from ?? 1, $to ?? 9, title: $title),
            false,
            null !== $from && null !== $to,
        );
    }

    /**
     * @param string      $anchor  name of the place that it leads to; empty when the file does not say
     * @param string      $printed all that the line says
     * @param int         $level   1 to 9; 0 when the file does not say
     * @param string|null $byHand  what it was worded as, in a file of ours
     */
    public function line(string $anchor, string $printed, int $level = 0, ?string $byHand = null): void
    {
        $this->lines[] = [
            'anchor' => $anchor,
            'printed' => mb_strcut($printed, 0, Heading::MAX_BYTES),
            'level' => $level,
            'byHand' => null === $byHand ? null : mb_strcut($byHand, 0, Heading::MAX_BYTES),
        ];
    }

    /** @param int $which in a list of illustrations, which of the captions of its section it is, from 0 on */
    public function leftOut(string $anchor, int $which = 0): void
    {
        $this->leftOut[] = ['anchor' => $anchor, 'which' => $which];
    }

    public function isEmpty(): bool
    {
        return [] === $this->lines;
    }

    /** @param string $key by which it is found again */
    public function placeholder(string $key): Node
    {
        return new Node('contents', [
            ...$this->settings->attributes(),
            'lines' => [['section' => $key, 'level' => 1, 'number' => '', 'heading' => '']],
        ]);
    }

    /**
     * @param \Closure(string): (string|null)  $placeOf the id of what a name in the file stands for
     * @param \Closure(string, string): mixed $worded  is told of each line that is kept as worded, and its heading
     *
     * @return Node|null the contents; null when too little of them leads into the document
     */
    public function settled(Document $document, \Closure $placeOf, \Closure $worded): ?Node
    {
        if (ContentsOf::Headings !== $this->settings->of) {
            return $this->listOfCaptions($document, $placeOf);
        }
        $lines = $this->placed($document, $placeOf);
        if (!$this->isOurs && (count($lines) < self::LEAST || 2 * count($lines) < count($this->lines))) {
            return null;
        }
        $settings = $this->isOurs ? $this->settings : $this->fitted($document, $lines);
        $fresh = [];
        foreach (ContentsLines::of($document, $settings) as $line) {
            $fresh[ContentsLines::keyOf($line)] = $line;
        }
        $isTold = $this->isOurs || self::agree($lines, $fresh);
        $holders = ContentsLines::holders($document);
        $positions = $document->outline->positions();
        $added = [];
        foreach ($lines as $id => $line) {
            $words = $this->isOurs
                ? $line['byHand']
                : PrintedLine::words($line['printed'], $fresh[$id]['number'] ?? '');
            if (isset($fresh[$id])) {
                $isWorded = $this->isOurs || !PrintedLine::says($line['printed'], $fresh[$id]['heading']);
                if ($isTold && $isWorded && null !== $words && '' !== $words) {
                    $fresh[$id]['words'] = $words;
                    $worded($words, $fresh[$id]['heading']);
                }
            } elseif (isset($holders[$id]) && $isTold && null !== $words && '' !== $words) {
                $level = $line['level'] ?: 1 + $document->outline->levelAt($positions[$holders[$id]])->value;
                $added[] = self::added($id, $holders[$id], $level, $words);
            }
        }
        foreach ($this->leftOut as ['anchor' => $anchor]) {
            $id = $placeOf($anchor) ?? '';
            if (isset($fresh[$id])) {
                $fresh[$id]['out'] = true;
            }
        }

        return self::made($document, $settings, $fresh, $added);
    }

    /**
     * In a list of illustrations each line leads to the section of its caption: the lines of a section stand for its
     * captions one after the other. Such lists of other programs are not looked for.
     *
     * @param \Closure(string): (string|null) $placeOf
     */
    private function listOfCaptions(Document $document, \Closure $placeOf): Node
    {
        $fresh = [];
        foreach (ContentsLines::of($document, $this->settings) as $line) {
            $fresh[$line['section']][] = $line;
        }
        $holders = ContentsLines::holders($document);
        $added = [];
        $worded = [];
        foreach ($this->lines as $line) {
            $id = $placeOf($line['anchor']) ?? '';
            if (isset($holders[$id])) {
                $added[] = self::added($id, $holders[$id], $line['level'], $line['byHand'] ?? '');
            } else {
                $worded[$id][] = $line['byHand'];
            }
        }
        foreach ($this->leftOut as ['anchor' => $anchor, 'which' => $which]) {
            $id = $placeOf($anchor) ?? '';
            if (isset($fresh[$id][$which])) {
                $fresh[$id][$which]['out'] = true;
            }
        }
        $lines = [];
        foreach ($fresh as $id => $ofSection) {
            $words = $worded[$id] ?? [];
            $shown = array_filter($ofSection, static fn(array $line): bool => !isset($line['out']));
            // A list that was behind its document does not tell which of its lines are which.
            $isCurrent = count($shown) === count($words);
            foreach ($ofSection as $line) {
                $said = $isCurrent && !isset($line['out']) ? array_shift($words) : null;
                $lines[] = null === $said || '' === $said ? $line : [...$line, 'words' => $said];
            }
        }

        return self::made($document, $this->settings, $lines, $added);
    }

    /** @return Line for a bookmark */
    private static function added(string $bookmark, string $section, int $level, string $words): array
    {
        return [
            'section' => $section,
            'level' => max(1, min(9, $level)),
            'number' => '',
            'heading' => $words,
            'bookmark' => $bookmark,
        ];
    }

    /**
     * @param array<Line> $lines
     * @param list<Line>  $added for bookmarks
     */
    private static function made(Document $document, ContentsSettings $settings, array $lines, array $added): Node
    {
        return new Node('contents', [
            ...$settings->attributes(),
            'lines' => ContentsLines::withAllAdded($document, array_values($lines), $added),
        ]);
    }

    /**
     * @param \Closure(string): (string|null) $placeOf
     *
     * @return array<string, array{anchor: string, printed: string, level: int, byHand: string|null}> by the
     *     id of the section or bookmark that each leads to, as far as that is known
     */
    private function placed(Document $document, \Closure $placeOf): array
    {
        $byLetters = [];
        $headings = $document->headings();
        $positions = $document->outline->positions();
        $holders = ContentsLines::holders($document);
        foreach ($headings as $position => $heading) {
            $byLetters[PrintedLine::letters($heading)][] = $document->outline->idAt($position)->value;
        }
        $placed = [];
        foreach ($this->lines as $line) {
            $alike = $byLetters[PrintedLine::letters(PrintedLine::words($line['printed']))] ?? [];
            // A line that leads nowhere is that of the one heading that says the same.
            $id = '' !== $line['anchor'] ? $placeOf($line['anchor']) : (1 === count($alike) ? $alike[0] : null);
            if (!$this->isOurs && isset($holders[$id])) {
                // A place right in a section, or right before it, stands for that section when the line says its heading.
                foreach ([$positions[$holders[$id]], $positions[$holders[$id]] + 1] as $near) {
                    if ('' !== ($headings[$near] ?? '') && PrintedLine::says($line['printed'], $headings[$near])) {
                        $id = $document->outline->idAt($near)->value;
                        break;
                    }
                }
            }
            if (null !== $id) {
                $placed[$id] ??= $line;
            }
        }

        return $placed;
    }

    /** @param array<string, array{printed: string, level: int}> $lines */
    private function fitted(Document $document, array $lines): ContentsSettings
    {
        $positions = $document->outline->positions();
        $numbers = $document->numbers();
        $levels = [];
        $hasNumbers = false;
        foreach ($lines as $id => $line) {
            $position = $positions[$id] ?? null;
            if (null !== $position) {
                $levels[] = $document->outline->levelAt($position)->value;
                $number = $numbers[$position];
                $hasNumbers =
                    $hasNumbers || ('' !== $number && str_starts_with(ltrim($line['printed']), rtrim($number, '.')));
            }
        }
        $levels = array_filter($levels, static fn(int $level): bool => $level > 0);

        return new ContentsSettings(
            $this->hasLevels || [] === $levels ? $this->settings->from : min($levels),
            $this->hasLevels || [] === $levels ? $this->settings->to : max($levels),
            $hasNumbers,
            $this->settings->title,
            of: ContentsOf::Headings,
        );
    }

    /**
     * @param array<string, array{printed: string}> $lines
     * @param array<string, Line>                    $fresh
     */
    private static function agree(array $lines, array $fresh): bool
    {
        $known = array_intersect_key($lines, $fresh);
        $same = array_filter(
            array_keys($known),
            static fn(string $id): bool => PrintedLine::says($known[$id]['printed'], $fresh[$id]['heading']),
        );

        return 2 * count($same) >= count($known);
    }
}
