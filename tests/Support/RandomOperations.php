<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Core\Outline\SectionId;

/** Any operation on any sections with any arguments, sensible or not, in the form in which it comes from outside. */
final readonly class RandomOperations
{
    private OperationReader $reader;

    public function __construct(private Randomizer $random, private RandomDocuments $documents, CountingIds $ids)
    {
        $this->reader = new OperationReader($ids);
    }

    /** @return array{string, Operation} the operation and its name */
    public function on(Document $document): array
    {
        $names = [
            'promote',
            'demote',
            'set-level',
            'move',
            'move',
            'move-up',
            'move-down',
            'split',
            'join',
            'make-heading',
            'insert',
            'rename',
            'replace-body',
            'replace-found',
            'duplicate',
            'delete',
            'set-aside',
            'bring-back',
            'bring-back',
            'describe-section',
            'describe-document',
            'generate-contents',
            'refresh-contents',
            'set-up-contents',
            'change-contents-line',
            'add-contents-line',
            'make-headings',
            'take-as-title',
            'put-title-in-text',
            'split-by-rule',
            'set-text-aside',
            'set-text-aside',
            'discard',
            'bookmark-caption',
            'number-captions',
            'name-marker',
            'use-house-style',
            'set-up-pages',
            'use-style-sheet',
            'shape-kind',
            'shape-kind',
            'remove-kind',
            'give-kind',
            'make-all-so',
            'clear-shapes',
            'set-off-quotations',
            'change-reminder',
            'spread-target',
            'note-idea',
            'reword-idea',
            'merge-text',
            'set-stretch-aside',
        ];
        // Where all has been taken out, there is nothing for the others to work on.
        $name = 0 === $document->outline->count() ? $this->among(['insert', 'bring-back']) : $this->among($names);
        $isContents = in_array($name, ['generate-contents', 'set-up-contents'], true);
        $from = match (true) {
            $isContents => $this->random->getInt(0, 4),
            'set-stretch-aside' === $name => $this->random->getInt(0, 12),
            default => $this->random->getInt(-1, 60),
        };

        return [
            $name,
            $this->reader->read([
                'name' => $name,
                'captions' => $this->among(['plain', 'byChapter', 'none']),
                'style' => $this->among(['reading', 'academic', 'report', 'none of ours']),
                'sheet' => ['name' => 'Sheet', 'basedOn' => 'policy', 'kinds' => ['body' => ['size' => '12pt']]],
                'kind' =>
                    'give-kind' === $name
                        ? $this->among(['quotation', 'quotation', 'verse', 'ship'])
                        : $this->among(['body', 'heading-2', 'verse', 'ship', 'heading-11']),
                // Null leaves what is said by hand of a heading as it is.
                'shape' =>
                    'make-all-so' === $name
                        ? $this->among(['size:14pt', 'slant:italic;alignment:end'])
                        : $this->among([null, null, '', 'size:14pt', 'colour:#aa1166;alignment:centred']),
                'becomes' => $this->among(['body', 'quotation', 'verse', 'ship']),
                'changes' => $this->among([
                    ['size' => '12pt'],
                    ['size' => null, 'colour' => '#aa1166'],
                    ['label' => 'Verse', 'slant' => 'italic'],
                    ['label' => 'Ship', 'of' => 'words', 'restsOn' => null],
                    ['restsOn' => 'verse'],
                ]),
                'pages' => $isContents
                    ? $this->among([null, 'plain', 'none'])
                    : $this->among([
                        null,
                        ['titleLines' => ['A line']],
                        ['margins' => ['top' => 30], 'bodyFrom' => null],
                        ['header' => ['start' => ['A header']], 'twoSided' => true],
                        ['margins' => ['top' => 3]],
                    ]),
                'of' => $this->among([null, null, 'figures', 'tables']),
                'branch' => $this->among([null, null, $this->section($document)]),
                'always' => $this->among([null, true]),
                'line' => $this->section($document),
                'out' => $this->among([null, true, false]),
                'sections' => 'set-stretch-aside' === $name ? $this->neighbours($document) : $this->sections($document),
                'section' => $this->section($document),
                'target' => match ($name) {
                    'describe-section', 'describe-document' => $this->random->getInt(-2, 900),
                    'bring-back', 'insert' => 1 === $this->random->getInt(0, 1) ? $this->section($document) : null,
                    default => $this->section($document),
                },
                'index' => $this->random->getInt(0, 1),
                'bookmark' =>
                    'add-contents-line' === $name
                        ? $this->bookmark($document)
                        : sprintf('mark%08d', $this->random->getInt(0, 99_999_999)),
                'offcut' => $this->offcut($document),
                'idea' => $this->offcut($document),
                'extent' => $this->among(['branch', 'heading-only']),
                'landing' => $this->among(['before', 'after', 'inside']),
                'heading' =>
                    'join' === $name ? $this->among(['paragraph', 'offcut']) : $this->among(['Renamed', '', 'Neu ✓']),
                'level' => $this->random->getInt(1, 9),
                'blocks' => array_values(array_unique([$this->random->getInt(0, 3), $this->random->getInt(0, 3)])),
                'lines' => [
                    [
                        'section' => $this->section($document),
                        'block' => $this->random->getInt(0, 2),
                        'level' => $this->random->getInt(1, 9),
                    ],
                    [
                        'section' => $this->section($document),
                        'block' => $this->random->getInt(0, 2),
                        'level' => $this->random->getInt(1, 9),
                    ],
                ],
                'block' => $this->random->getInt(0, 3),
                'part' => $this->among(['title', 'subtitle']),
                'rule' => $this->among(['chapter-lines', 'numbered-lines', 'separators', 'page-breaks', 'words']),
                'words' => in_array(
                    $name,
                    [
                        'change-reminder',
                        'note-idea',
                        'reword-idea',
                        'change-contents-line',
                        'add-contents-line',
                        'name-marker',
                    ],
                    true,
                )
                    ? $this->among([
                        'Later',
                        in_array($name, ['change-reminder', 'change-contents-line'], true) ? null : "One\n\nTwo",
                        '',
                    ])
                    : $this->random->getInt(40, 60),
                'reminder' => $this->reminder($document),
                'query' => [
                    'words' => $this->among(['lamp', 'e', 'glass keeper', 'nowhere at all']),
                    'mode' => $this->among(['words', 'phrase', 'pattern']),
                ],
                'with' => $this->among(['', 'mist', 'glass']),
                'only' => $this->among([null, null, 0, 3]),
                'settled' => $this->among([true, false, null]),
                'from' => $from,
                'at' => 1 === $this->random->getInt(0, 1) ? $this->random->getInt(-1, 30) : null,
                'to' => $isContents ? $this->random->getInt(1, 10) : $from + $this->among([0, 0, 3, 8]),
                'body' => $this->documents->body([])->toJson(),
                ...'merge-text' === $name ? $this->merge($document) : [],
                'aim' => $this->among(['Show it', '']),
                'marker' => $this->among(['leaf', '']),
                'stage' => $this->among(['drafted', 'settled', '']),
                'numbered' => 1 === $this->random->getInt(0, 1),
                'inContents' => 1 === $this->random->getInt(0, 1),
                'title' => $this->among(['Contents', 'Inhalt']),
            ]),
        ];
    }

    /** @return array<string, mixed> typing that began on a text and met another one */
    private function merge(Document $document): array
    {
        $count = $document->outline->count();
        $section = 0 === $count ? null : $document->sectionAt($this->random->getInt(0, $count - 1));
        $began = [
            'heading' => $section?->heading->toJson() ?? [],
            'body' => $section?->body->toJson() ?? [],
        ];
        $more = fn(): array => [...$began, 'body' => [...$began['body'], ...$this->documents->body([])->toJson()]];

        return [
            'section' => $section?->id->value ?? 'zzzzzzzzzzzz',
            'began' => $began,
            'mine' => $more(),
            'seen' => $this->among([null, $more()]),
            'preference' => $this->among(['ask', 'mine', 'theirs', 'both']),
        ];
    }

    private function bookmark(Document $document): string
    {
        $ids = array_merge(
            ...array_map(
                static fn(References $each): array => array_keys($each->bookmarks),
                array_values($document->references()),
            ),
        );

        return [] === $ids ? 'mark00000000' : (string) $this->among($ids);
    }

    private function section(Document $document): string
    {
        $count = $document->outline->count();

        return 0 === $count || 1 === $this->random->getInt(1, 40)
            ? 'zzzzzzzzzzzz'
            : $document->outline->idAt($this->random->getInt(0, $count - 1))->value;
    }

    private function reminder(Document $document): string
    {
        $reminders = array_merge(
            ...array_map(static fn(References $each): array => $each->reminders, array_values($document->references())),
        );

        return [] === $reminders ? 'zzzzzzzzzzzz' : $this->among($reminders)->id;
    }

    /** @return list<string> */
    private function sections(Document $document): array
    {
        return array_map(fn(): string => $this->section($document), range(1, $this->random->getInt(1, 3)));
    }

    /** @return list<string> */
    private function neighbours(Document $document): array
    {
        $from = $this->random->getInt(0, max(0, $document->outline->count() - 2));

        return array_map(
            static fn(SectionId $id): string => $id->value,
            $document->outline->slice($from, $from + $this->random->getInt(2, 3))->ids(),
        );
    }

    private function offcut(Document $document): string
    {
        $kept = array_keys(array_filter($document->changedOffcuts, static fn(mixed $offcut): bool => null !== $offcut));

        return [] === $kept ? 'zzzzzzzzzzzz' : $kept[$this->random->getInt(0, count($kept) - 1)];
    }

    /**
     * @template T
     *
     * @param non-empty-list<T> $choices
     *
     * @return T
     */
    private function among(array $choices): mixed
    {
        return $choices[$this->random->getInt(0, count($choices) - 1)];
    }
}
