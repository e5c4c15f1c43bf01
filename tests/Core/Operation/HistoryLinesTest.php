<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Marker;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Operation\Between\InsertDocument;
use Stemmata\Core\Operation\Detail\DescribeSection;
use Stemmata\Core\Operation\Offcut\CutOut;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

/** Each step as the history tells it to the writer. */
final class HistoryLinesTest extends TestCase
{
    private const DOCUMENT = '0 , 1 Logs, 2 Gaps, 3 Storms, 2 Ink, 1 Keepers';

    /** @return iterable<array{string, array<string, mixed>}> */
    public static function steps(): iterable
    {
        yield ['Promoted “Gaps” with 1 section under it', ['name' => 'promote', 'sections' => ['Gaps']]];
        yield [
            'Promoted the heading “Gaps” alone',
            ['name' => 'promote', 'sections' => ['Gaps'], 'extent' => 'heading-only'],
        ];
        yield ['Demoted “Logs” with 3 sections under it', ['name' => 'demote', 'sections' => ['Logs']]];
        yield ['Demoted “Ink”', ['name' => 'demote', 'sections' => ['Ink']]];
        yield ['Demoted “Gaps” and 2 more', ['name' => 'demote', 'sections' => ['Gaps', 'Ink']]];
        yield [
            'Moved “Gaps” with 1 section under it under “Keepers”',
            ['name' => 'move', 'sections' => ['Gaps'], 'landing' => 'inside', 'target' => 'Keepers'],
        ];
        yield [
            'Moved “Keepers” before “Logs”',
            ['name' => 'move', 'sections' => ['Keepers'], 'landing' => 'before', 'target' => 'Logs'],
        ];
        yield [
            'Moved “Ink” after “Keepers”',
            ['name' => 'move', 'sections' => ['Ink'], 'landing' => 'after', 'target' => 'Keepers'],
        ];
        yield ['Moved “Ink” up', ['name' => 'move-up', 'sections' => ['Ink']]];
        yield ['Moved “Gaps” with 1 section under it down', ['name' => 'move-down', 'sections' => ['Gaps']]];
        yield ['Split “Ink”', ['name' => 'split', 'section' => 'Ink', 'from' => 3]];
        yield ['Split the opening', ['name' => 'split', 'section' => 'opening', 'from' => 3]];
        yield ['Joined “Ink” with the section above', ['name' => 'join', 'section' => 'Ink', 'heading' => 'offcut']];
        yield ['Made a heading in “Ink”', ['name' => 'make-heading', 'section' => 'Ink', 'block' => 0, 'level' => 3]];
        yield [
            'Made 2 headings',
            [
                'name' => 'make-headings',
                'lines' => [
                    ['section' => 'Ink', 'block' => 0, 'level' => 3],
                    ['section' => 'Gaps', 'block' => 0, 'level' => 3],
                ],
            ],
        ];
        yield ['Inserted “Fog”', ['name' => 'insert', 'heading' => 'Fog']];
        yield ['Inserted a section', ['name' => 'insert']];
        yield ['Renamed “Ink” to “Inks”', ['name' => 'rename', 'section' => 'Ink', 'heading' => 'Inks']];
        yield ['Wrote in “Ink”', ['name' => 'replace-body', 'section' => 'Ink', 'body' => []]];
        yield ['Wrote in the opening', ['name' => 'replace-body', 'section' => 'opening', 'body' => []]];
        yield ['Duplicated “Gaps” with 1 section under it', ['name' => 'duplicate', 'sections' => ['Gaps']]];
        yield ['Deleted “Gaps” with 1 section under it', ['name' => 'delete', 'sections' => ['Gaps']]];
        yield ['Set aside “Ink”', ['name' => 'set-aside', 'sections' => ['Ink']]];
        yield [
            'Set a passage of “Ink” aside',
            ['name' => 'set-text-aside', 'section' => 'Ink', 'from' => 1, 'to' => 5],
        ];
        yield [
            'Changed the aim of “Ink”',
            ['name' => 'describe-section', 'sections' => ['Ink'], 'aim' => 'Show it fades'],
        ];
        yield [
            'Changed the target of “Gaps” and 1 more',
            ['name' => 'describe-section', 'sections' => ['Ink', 'Gaps'], 'target' => 300],
        ];
        yield [
            'Changed the marker of “Ink”',
            ['name' => 'describe-section', 'sections' => ['Ink'], 'marker' => 'leaf'],
        ];
        yield [
            'Changed the numbering of “Ink”',
            ['name' => 'describe-section', 'sections' => ['Ink'], 'numbered' => false],
        ];
        yield [
            'Changed the place in the contents of “Ink”',
            ['name' => 'describe-section', 'sections' => ['Ink'], 'inContents' => false],
        ];
        yield ['Named the document “Weather”', ['name' => 'describe-document', 'title' => 'Weather']];
        yield ['Changed what is said of the document', ['name' => 'describe-document', 'author' => 'I. Vane']];
        yield ['Set the day to be finished by', ['name' => 'describe-document', 'deadline' => '2026-12-24']];
        yield ['Took away the day to be finished by', ['name' => 'describe-document', 'deadline' => '']];
        yield ['Set the words wanted in a sitting', ['name' => 'describe-document', 'sittingGoal' => 400]];
        yield ['Wrote down what the document asks', ['name' => 'describe-document', 'question' => 'Who lit it?']];
        yield [
            'Changed the stage of “Ink”',
            ['name' => 'describe-section', 'sections' => ['Ink'], 'stage' => 'revised'],
        ];
        yield ['Noted an idea', ['name' => 'note-idea', 'words' => 'Gas?']];
        yield ['Made contents in “Ink”', ['name' => 'generate-contents', 'section' => 'Ink', 'from' => 1, 'to' => 3]];
        yield ['Numbered the headings 1, 1.1, 1.1.1', ['name' => 'use-numbering', 'numbering' => null]];
        yield [
            'Renamed “Ink” to “Inks” and wrote in “Ink”',
            [
                'name' => 'batch',
                'operations' => [
                    ['name' => 'rename', 'section' => 'Ink', 'heading' => 'Inks'],
                    ['name' => 'replace-body', 'section' => 'Ink', 'body' => []],
                ],
            ],
        ];
        yield [
            'Moved “Ink” up and 2 more steps',
            [
                'name' => 'batch',
                'operations' => [
                    ['name' => 'move-up', 'sections' => ['Ink']],
                    ['name' => 'demote', 'sections' => ['Ink']],
                    ['name' => 'promote', 'sections' => ['Ink']],
                ],
            ],
        ];
    }

    /** @param array<string, mixed> $operation */
    #[DataProvider('steps')]
    public function testReadsAsASentenceOfWhatWasDone(string $line, array $operation): void
    {
        $document = Sketch::document(self::DOCUMENT);
        Wire::done($document, $operation);

        self::assertSame($line, Wire::operation($operation)->describe($document));
    }

    public function testWhatIsBroughtBackOrThrownAwayIsNamed(): void
    {
        $without = Wire::done(Sketch::document(self::DOCUMENT), ['name' => 'set-aside', 'sections' => ['Gaps']])
            ->document;
        $offcut = (string) array_key_first($without->changedOffcuts);

        self::assertSame(
            'Brought back “Gaps”',
            Wire::operation(['name' => 'bring-back', 'offcut' => $offcut])->describe($without),
        );
        self::assertSame(
            'Threw the offcut “Gaps” away',
            Wire::operation(['name' => 'discard', 'offcut' => $offcut])->describe($without),
        );
    }

    public function testAStretchIsNamedByItsFirstSectionAndItsLast(): void
    {
        $text = ['heading' => [], 'body' => []];
        $stretch = ['name' => 'replace-stretch', 'sections' => ['Gaps', 'Storms', 'Ink'], 'texts' => [$text]];

        self::assertSame(
            'Wrote from “Gaps” to “Ink”',
            Wire::operation($stretch)->describe(Sketch::document(self::DOCUMENT)),
        );
    }

    public function testADocumentThatIsPutInIsNamedByItsTitle(): void
    {
        $here = Sketch::document(self::DOCUMENT);
        $put = static fn(Document $other): string => (new InsertDocument(
            $other,
            Landing::After,
            $here->outline->idAt(1),
            new CountingIds(),
        ))->describe($here);

        self::assertSame(
            'Put another document into the document',
            $put(Sketch::document('1 a')->withTitleBlock(new TitleBlock())),
        );
        self::assertSame(
            'Put “Logs” into the document',
            $put(Sketch::document('1 a')->withTitleBlock(new TitleBlock(' Logs '))),
        );
    }

    public function testASectionWithoutAHeadingIsSpokenOfAsSuch(): void
    {
        $document = Wire::done(Sketch::document('1 a'), ['name' => 'rename', 'section' => 'a', 'heading' => ' '])
            ->document;

        self::assertSame(
            'Demoted the section without a heading',
            Wire::operation(['name' => 'demote', 'sections' => ['a']])->describe($document),
        );
    }

    public function testAChapterWithoutATitleIsCalledByItsNumber(): void
    {
        $novel = Services::formats()->read('novel.md', "# Chapter 1\n\nDark.\n\n# Chapter 2\n\nLight.\n")->document;
        $delete = new CutOut([$novel->outline->idAt(1)], Extent::Branch, OffcutReason::Deleted, new CountingIds());

        self::assertSame('Deleted “Chapter 2”', $delete->describe($novel));
        self::assertSame(['', ''], $novel->headings());
    }

    public function testLargeNumbersAreWrittenAsNumbersAre(): void
    {
        $document = Sketch::document(
            implode(', ', array_map(static fn(int $nth): string => '1 s' . $nth, range(1, 1500))),
        );
        $marked = new DescribeSection($document->outline->ids(), marker: Marker::Leaf);

        self::assertSame('Changed the marker of “s1” and 1,499 more', $marked->describe($document));
    }
}
