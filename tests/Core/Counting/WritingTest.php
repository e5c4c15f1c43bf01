<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Counting;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Counting\ReadingTime;
use Stemmata\Core\Counting\TextCounts;
use Stemmata\Core\Counting\WordsHad;
use Stemmata\Core\Counting\WritingDays;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\WritingPlan;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Refused;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

/** How a document grows, and what is planned for it. */
final class WritingTest extends TestCase
{
    public function testADayIsTheWritersAndASittingCountsForTheDayItBegan(): void
    {
        $at = static fn(string $time): int => (new \DateTimeImmutable($time))->getTimestamp();
        $sittings = [
            new WordsHad($at('2026-11-27T09:00:00Z'), 100, null),
            new WordsHad($at('2026-11-27T15:00:00Z'), 350, null),
            new WordsHad($at('2026-11-28T23:30:00Z'), 600, null),
        ];

        $now = new WordsHad($at('2026-11-29T00:10:00Z'), 580, 12);

        self::assertSame(
            ['2026-11-27' => 500, '2026-11-28' => -20],
            WritingDays::of($sittings, $now, new \DateTimeZone('UTC')),
        );
        self::assertSame(
            ['2026-11-27' => 500, '2026-11-29' => -20],
            WritingDays::of($sittings, $now, new \DateTimeZone('Europe/Berlin')),
        );
        self::assertSame([], WritingDays::of([], $now, new \DateTimeZone('UTC')));
    }

    public function testALineMadeAHeadingIsNoWordLess(): void
    {
        $before = new WordsHad(0, 100, 10);

        self::assertSame(0, (new WordsHad(60, 71, 39))->more($before));
        self::assertSame(-29, (new WordsHad(60, 71, 39))->more(new WordsHad(0, 100, null)));
        self::assertSame(4, (new WordsHad(60, 104, 10))->more($before));
    }

    #[TestWith(['2026-11-29', 1, 1000])]
    #[TestWith(['2026-12-08', 10, 100])]
    #[TestWith(['2026-12-01', 3, 334], 'rounded up, for it must be enough')]
    #[TestWith(['2026-11-28', 0, null])]
    #[TestWith([null, null, null])]
    public function testWordsThatEachDayMustBring(?string $deadline, ?int $days, ?int $words): void
    {
        $plan = new WritingPlan($deadline);
        $today = new \DateTimeImmutable('2026-11-29T23:59:00+01:00');

        self::assertSame($days, $plan->daysLeft($today));
        self::assertSame($words, $plan->wordsADay(4000, 5000, $today));
        self::assertNull($plan->wordsADay(5000, 5000, $today), 'all is written');
        self::assertNull($plan->wordsADay(4000, null, $today), 'no target');
    }

    /** Brysbaert 2019, Journal of Memory and Language: 238 words a minute silently, 183 aloud. */
    public function testReadingTimes(): void
    {
        $counts = new TextCounts(2380);

        self::assertSame(600, $counts->secondsAt(ReadingTime::SILENT_WORDS_PER_MINUTE));
        self::assertSame(780, $counts->secondsAt(ReadingTime::ALOUD_WORDS_PER_MINUTE));
    }

    public function testThePlanIsKeptAndTakenAway(): void
    {
        $document = self::done(Sketch::document('1 A'), [
            'name' => 'describe-document',
            'deadline' => '2026-12-24',
            'sittingGoal' => 400,
        ]);
        self::assertEquals(new WritingPlan('2026-12-24', 400), $document->setup->plan);
        self::assertEquals($document->setup, $document->setup::fromJson($document->setup->toJson()));
        $document = self::done($document, ['name' => 'describe-document', 'title' => 'T']);
        self::assertEquals(new WritingPlan('2026-12-24', 400), $document->setup->plan, 'left as it is');
        $document = self::done($document, ['name' => 'describe-document', 'deadline' => '', 'sittingGoal' => 0]);
        self::assertEquals(new WritingPlan(), $document->setup->plan);
    }

    /** @param array<string, mixed> $what */
    #[TestWith([['deadline' => '2026-02-30'], 'That is no day of the calendar; nothing was changed.'])]
    #[TestWith([['deadline' => 'soon'], 'That is no day of the calendar; nothing was changed.'])]
    #[TestWith([['sittingGoal' => -1], null])]
    public function testWhatIsNoPlanIsRefused(array $what, ?string $sentence): void
    {
        $answer = Wire::operation(['name' => 'describe-document', ...$what])->applyTo(Sketch::document('1 A'));

        self::assertInstanceOf(Refused::class, $answer);
        self::assertSame($sentence ?? $answer->sentence, $answer->sentence);
    }

    /**
     * @param array<string, int> $targets    by heading
     * @param array<string, int|null>|string $spread by heading, or why not
     */
    #[TestWith([10, [], ['A' => 4, 'C' => 3, 'D' => 3, 'B' => null]])]
    #[TestWith([10, ['C' => 6], ['A' => 2, 'C' => 6, 'D' => 2]])]
    #[
        TestWith([
            10,
            ['C' => 9],
            'The targets of the branches under it take all of it; nothing is left for the others.',
        ]),
    ]
    #[
        TestWith([
            10,
            ['A' => 1, 'C' => 1, 'D' => 1],
            'Every branch under it has a target of its own; nothing is left to spread it over.',
        ]),
    ]
    #[TestWith([0, [], 'There is no target to spread; set one first.'])]
    public function testATargetIsSpreadOverTheBranches(int $target, array $targets, array|string $spread): void
    {
        $document = Sketch::document('1 A, 2 B, 1 C, 1 D');
        if ($target > 0) {
            $document = self::done($document, ['name' => 'describe-document', 'target' => $target]);
        }
        foreach ($targets as $heading => $words) {
            $document = self::done($document, [
                'name' => 'describe-section',
                'sections' => [Sketch::id($heading)->value],
                'target' => $words,
            ]);
        }
        $answer = Wire::operation(['name' => 'spread-target'])->applyTo($document);
        if (is_string($spread)) {
            self::assertInstanceOf(Refused::class, $answer);
            self::assertSame($spread, $answer->sentence);

            return;
        }
        self::assertInstanceOf(Applied::class, $answer);
        foreach ($spread as $heading => $words) {
            self::assertSame($words, $answer->document->section(Sketch::id($heading))->target, $heading);
        }
    }

    public function testASectionsTargetIsSpreadOverWhatIsUnderIt(): void
    {
        $document = Sketch::document('1 A, 2 B, 3 C, 2 D, 1 E');
        $document = self::done($document, [
            'name' => 'describe-section',
            'sections' => [Sketch::id('A')->value],
            'target' => 500,
        ]);
        $document = self::done($document, ['name' => 'spread-target', 'section' => Sketch::id('A')->value]);

        self::assertSame(250, $document->section(Sketch::id('B'))->target);
        self::assertSame(250, $document->section(Sketch::id('D'))->target);
        self::assertNull($document->section(Sketch::id('C'))->target);
        self::assertNull($document->section(Sketch::id('E'))->target);
    }

    /** @param array<string, mixed> $request */
    private static function done(Document $document, array $request): Document
    {
        $answer = Wire::operation($request)->applyTo($document);
        self::assertInstanceOf(Applied::class, $answer);

        return $answer->document;
    }
}
