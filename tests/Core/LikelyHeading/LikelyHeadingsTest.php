<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\LikelyHeading;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\LikelyHeading\LikelyHeadings;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Look;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Sketch;

final class LikelyHeadingsTest extends TestCase
{
    /**
     * Made documents of many habits: see habits.txt. Its lines are `look text #level`; a line without a level is no
     * heading.
     */
    public function testFindsLinesAndLevelsInDocumentsOfManyHabits(): void
    {
        $tally = ['wanted' => 0, 'found' => 0, 'right line' => 0, 'right level' => 0];
        $missed = [];
        $habits = self::habits();
        foreach ($habits as $habit => $lines) {
            $found = self::found(self::document($lines));
            foreach ($lines as $block => [, $text, $wanted]) {
                $level = $found[$block] ?? null;
                $tally['wanted'] += null !== $wanted ? 1 : 0;
                $tally['found'] += null !== $level ? 1 : 0;
                $tally['right line'] += null !== $wanted && null !== $level ? 1 : 0;
                $tally['right level'] += null !== $wanted && $level === $wanted ? 1 : 0;
                if ($level !== $wanted) {
                    $missed[] = sprintf(
                        '%s: “%s” wanted %s, found %s',
                        $habit,
                        $text,
                        $wanted ?? 'nothing',
                        $level ?? 'nothing',
                    );
                }
            }
        }
        $figures = [
            'lines' => [$tally['right line'] / $tally['found'], $tally['right line'] / $tally['wanted']],
            'levels' => [$tally['right level'] / $tally['found'], $tally['right level'] / $tally['wanted']],
        ];
        fprintf(
            \STDERR,
            "\nLikely headings over %d documents: lines precision %.3f, recall %.3f; levels precision %.3f, recall %.3f\n",
            count($habits),
            ...$figures['lines'],
            ...$figures['levels'],
        );

        self::assertGreaterThanOrEqual(12, count($habits));
        self::assertGreaterThanOrEqual(
            0.95,
            min([...$figures['lines'], ...$figures['levels']]),
            implode("\n", $missed),
        );
    }

    public function testTellsItsReasonsInWords(): void
    {
        $document = self::document([
            ['s150b', 'What a log is', 1],
            ['', 'A log is a ruled book in which a tired man writes figures.', null],
        ]);
        $groups = LikelyHeadings::in($document);

        self::assertCount(1, $groups);
        self::assertSame('152 % of the text’s size, bold', $groups[0]->look);
        self::assertSame(
            ['set larger than the text (152 %)', 'all bold', 'text follows', 'short', 'no stop at its end'],
            $groups[0]->lines[0]->reasons,
        );
        self::assertGreaterThan(0.9, $groups[0]->lines[0]->confidence);
    }

    public function testGoesOnFromTheLevelOfTheSectionItStandsIn(): void
    {
        $section = new Section(
            Sketch::id('glass'),
            Heading::plain('Reading the glass'),
            Body::of([
                Node::paragraph([Node::text('A broken glass, 1895', [new Mark('strong')])]),
                Node::paragraph([Node::text('It was dropped, and nobody says by whom.')]),
            ]),
        );
        $groups = LikelyHeadings::in(Document::of(new TitleBlock('Logs'), [[Level::Two, $section]]));

        self::assertSame(3, $groups[0]->level);
    }

    public function testNothingIsSuggestedBelowLevelNine(): void
    {
        $section = new Section(
            Sketch::id('glass'),
            Heading::plain('Reading the glass'),
            Body::of([
                Node::paragraph([Node::text('A broken glass, 1895', [new Mark('strong')])]),
                Node::paragraph([Node::text('It was dropped, and nobody says by whom.')]),
            ]),
        );

        self::assertSame(
            9,
            LikelyHeadings::in(Document::of(new TitleBlock('Logs'), [[Level::Nine, $section]]))[0]->level,
        );
    }

    public function testARowOfShortLinesIsAListAndNoneOfThemAHeading(): void
    {
        $row = array_map(static fn(string $words): array => ['b', $words, null], [
            'Ardrell Head',
            'Cold Sker',
            'Marrow Point',
            'Seven Stones',
        ]);
        $text = ['', 'The light was lit at dusk by the second keeper, who stayed until the first came up.', null];

        self::assertSame([], LikelyHeadings::in(self::document([$text, ...$row, $text])));
        self::assertCount(1, LikelyHeadings::in(self::document([$text, $row[0], $text])));
    }

    public function testTheLargerLookIsTheHigherLevelWhicheverComesFirst(): void
    {
        $text = ['', 'The light was lit at dusk by the second keeper, who stayed until the first came up.', null];
        $groups = LikelyHeadings::in(
            self::document([
                $text,
                ['s130b', 'Cold Sker', 2],
                $text,
                ['s145b', 'The coast', 1],
                $text,
                ['s130b', 'Marrow Point', 2],
                $text,
            ]),
        );
        $levels = [];
        foreach ($groups as $group) {
            $levels[$group->lines[0]->text] = $group->level;
        }

        self::assertGreaterThan($levels['The coast'] ?? 9, $levels['Cold Sker'] ?? 0);
    }

    public function testAClearlyLargerLookIsHigherThoughASmallerOneAlwaysStandsBeforeIt(): void
    {
        $text = ['', 'The light was lit at dusk by the second keeper, who stayed until the first came up.', null];
        $lines = [$text];
        foreach (['Ardrell Head', 'Cold Sker', 'Marrow Point'] as $station) {
            array_push($lines, ['s130b', 'A station', null], ['s138b', $station, null], $text);
        }
        $levels = [];
        foreach (LikelyHeadings::in(self::document($lines)) as $group) {
            $levels[$group->lines[0]->text] = $group->level;
        }

        self::assertGreaterThan($levels['Ardrell Head'] ?? 9, $levels['A station'] ?? 0);
    }

    public function testALookThatMostlyIsNoHeadingIsNotBelieved(): void
    {
        $text = ['', 'The light was lit at dusk by the second keeper, who stayed until the first came up.', null];
        $said = [
            'i',
            'It burned, he said, as if it had never been out, and nobody on the coast had reason to doubt him.',
            null,
        ];

        self::assertSame(
            [],
            LikelyHeadings::in(
                self::document([$text, $said, $text, $said, $text, ['i', 'A broken glass', null], $text, $said, $text]),
            ),
        );
        self::assertCount(
            1,
            LikelyHeadings::in(
                self::document([$text, ['i', 'A broken glass', null], $text, ['i', 'A new one', null], $text]),
            ),
        );
    }

    public function testNothingIsALikelyHeadingInPlainText(): void
    {
        self::assertSame([], LikelyHeadings::in(Sketch::document('1 a, 2 b')));
    }

    /** @return array<string, list<array{string, string, int|null}>> */
    private static function habits(): array
    {
        $habits = [];
        $name = '';
        foreach (file(__DIR__ . '/habits.txt', \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            if (str_starts_with($line, '== ')) {
                $name = substr($line, 3);
            } elseif (
                1 === preg_match('/\A((?:(?:s\d+b?i?c?|bi|b|i|c|caps) )*|  )(.*?)(?: #(\d))?\z/', $line, $match)
            ) {
                $habits[$name][] = [trim($match[1]), $match[2], isset($match[3]) ? (int) $match[3] : null];
            }
        }

        return $habits;
    }

    public function testBooksStandOverPartsAndPartsOverChapters(): void
    {
        $text = array_fill(0, 3, ['', 'The keeper wrote of the weather, as on every day, and of nothing else.', null]);
        $lines = [];
        foreach (['Book One', 'Part One', 'Chapter 1', 'Chapter 2', 'Part Two', 'Chapter 1', 'Book Two'] as $heading) {
            array_push($lines, ['b c', $heading, null], ...$text);
        }

        self::assertSame([1, 2, 3, 3, 2, 3, 1], array_values(self::inOrder(self::found(self::document($lines)))));
    }

    public function testOfTwoLinesAHeadingMayBeOfThreeItIsNone(): void
    {
        $text = ['', 'The keeper wrote of the weather, as on every day, and of nothing else.', null];
        $headings = ["Of\nlamps", "Of the\noil\nand lamps", str_repeat('Of lamps ', 30) . 'and oil', 'Of storms'];
        $lines = [];
        foreach ($headings as $heading) {
            array_push($lines, ['b c s20', $heading, null], $text, $text);
        }

        self::assertSame([0, 9], array_keys(self::inOrder(self::found(self::document($lines)))));
    }

    public function testUnderAHeadingLevelsGoOnFromThere(): void
    {
        $text = Node::paragraph([Node::text('The keeper wrote of the weather, as on every day, and of nothing else.')]);
        $line = static fn(string $words): Node => Node::paragraph(
            [Node::text($words, [new Mark('strong')])],
            new Look(16, 'center'),
        );
        $body = Body::of([$line('Of the lamps'), $text, $text, $line('Of the oil'), $text, $text]);
        $document = Document::of(new TitleBlock(), [
            [Level::One, new Section(SectionId::fromString('firstxxxxxxx'), Heading::plain('One'), Body::of([$text]))],
            [Level::Two, new Section(SectionId::fromString('secondxxxxxx'), Heading::plain('Two'), $body)],
        ]);

        self::assertSame([0 => 3, 3 => 3], self::inOrder(self::found($document)));
    }

    /**
     * @param array<int, int> $found
     *
     * @return array<int, int>
     */
    private static function inOrder(array $found): array
    {
        ksort($found);

        return $found;
    }

    /** @param list<array{string, string, int|null}> $lines */
    private static function document(array $lines): Document
    {
        $blocks = array_map(static function (array $line): Node {
            [$look, $text] = $line;
            $marks = array_values(
                array_filter([
                    1 === preg_match('/(?:\A|\d| )b?i(?:c| |\z)/', $look) ? new Mark('emphasis') : null,
                    1 === preg_match('/(?:\A|\d| )b/', $look) ? new Mark('strong') : null,
                ]),
            );
            $size = 1 === preg_match('/s(\d+)/', $look, $match) ? (int) $match[1] : null;

            return Node::paragraph(
                [Node::text($text, $marks)],
                new Look($size, 1 === preg_match('/(?:\A|\d|b|i| )c(?: |\z)/', $look) ? 'center' : null),
            );
        }, $lines);

        return Document::of(new TitleBlock(), [
            [Level::Opening, new Section(SectionId::fromString('openingxxxxx'), Heading::none(), Body::of($blocks))],
        ]);
    }

    /** @return array<int, int> level by block */
    private static function found(Document $document): array
    {
        $found = [];
        foreach (LikelyHeadings::in($document) as $group) {
            foreach ($group->lines as $line) {
                $found[$line->block] = $line->level;
            }
        }

        return $found;
    }
}
