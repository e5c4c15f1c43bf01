<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Offcut;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Operation\Offcut\BringBack;
use Stemmata\Core\Operation\Offcut\SetTextAside;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

/** What is cut is kept, and comes back to where it was or to where it is wanted. */
final class OffcutsTest extends TestCase
{
    public function testSeveralPickedBranchesAreKeptEachByItself(): void
    {
        $without = Wire::done(Sketch::document('1 a, 2 b, 1 c, 2 d, 3 e'), [
            'name' => 'delete',
            'sections' => ['d', 'b'],
        ])->document;

        self::assertSame('1 a, 1 c', Sketch::of($without));
        self::assertSame(
            [['d', 2, 'c'], ['b', 1, 'a']],
            self::kept($without),
            'name, sections, and what each stood behind',
        );
    }

    public function testAPassageGoesBackBetweenTheSameWordsWhateverWasWrittenElsewhere(): void
    {
        $document = Sketch::document('1 a, 1 b');
        $section = $document->section(Sketch::id('a'));
        $document = $document->withSection($section->withBody(Sketch::body('The old lamp is lit.', 'A second line.')));
        $set = static fn(int $from, int $to): Document => Wire::done($document, [
            'name' => 'set-text-aside',
            'section' => 'a',
            'from' => $from,
            'to' => $to,
        ])->document;
        $written = static fn(Document $without, string ...$paragraphs): Document => $without->withSection(
            $without->section(Sketch::id('a'))->withBody(Sketch::body(...$paragraphs)),
        );
        $back = static fn(Document $without): string => Wire::done($without, [
            'name' => 'bring-back',
            'offcut' => (string) array_key_first($without->changedOffcuts),
        ])
            ->document->section(Sketch::id('a'))
            ->body->plainText();

        self::assertSame("The old lamp is lit.\nA second line.", $back($set(5, 9)), 'within a line');
        self::assertSame("The old lamp is lit.\nA second line.", $back($set(5, 26)), 'over two lines');
        self::assertSame("The old lamp is lit.\nA second line.", $back($set(1, 9)), 'from the head of a line');
        self::assertSame("The old lamp is lit.\nA second line.", $back($set(9, 21)), 'to the end of a line');
        self::assertSame("The old lamp is lit.\nA second line.", $back($set(0, 22)), 'a whole line');
        self::assertSame("The old lamp is lit.\nA second line.", $back($set(0, 38)), 'all there was');
        self::assertSame(
            "New words first.\nThe old lamp is lit.\nA second line.",
            $back($written($set(5, 9), 'New words first.', 'The lamp is lit.', 'A second line.')),
        );
    }

    public function testAPassageWhosePlaceIsGoneIsRefusedAndStays(): void
    {
        $without = Wire::done(Sketch::document('1 a'), [
            'name' => 'set-text-aside',
            'section' => 'a',
            'from' => 5,
            'to' => 8,
        ])->document;
        $offcut = (string) array_key_first($without->changedOffcuts);
        $section = $without->section(Sketch::id('a'));
        foreach ([['Something else.'], ['Text a.', 'Text a.']] as $paragraphs) {
            $other = $without->withSection($section->withBody(Sketch::body(...$paragraphs)));
            self::assertStringContainsString(
                'put it at the cursor instead',
                Wire::refused($other, ['name' => 'bring-back', 'offcut' => $offcut])->sentence,
            );
        }
    }

    public function testOverRandomTextsWhatIsSetAsideComesBackToTheLetter(): void
    {
        $asItWas = 0;
        $runs = Dose::of(2000, 400);
        for ($seed = 1; $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $document = (new RandomDocuments($random, $ids))->document(1);
            $section = $document->sectionAt($document->outline->count() - 1);
            $size = $section->body->size();
            $from = $random->getInt(0, max(0, $size - 1));
            $without = (new SetTextAside($section->id, $from, $random->getInt($from, $size), $ids))->applyTo($document);
            if ($without instanceof Refused) {
                continue;
            }
            $back = (new BringBack(
                SectionId::fromString((string) array_key_first($without->document->changedOffcuts)),
            ))->applyTo($without->document);
            // Words that stand there more than once are no place.
            if ($back instanceof Refused) {
                continue;
            }
            self::assertSame(
                preg_replace('/\s+/u', '', $section->body->plainText()),
                preg_replace('/\s+/u', '', $back->document->section($section->id)->body->plainText()),
                'seed ' . $seed,
            );
            ++$asItWas;
        }
        self::assertGreaterThan($runs / 3, $asItWas);
    }

    public function testAHeadingCutAloneLeavesWhatIsUnderItToTheOneAbove(): void
    {
        $without = Wire::done(Sketch::document('1 a, 1 b, 2 c'), [
            'name' => 'set-aside',
            'sections' => ['b'],
            'extent' => 'heading-only',
        ])->document;

        self::assertSame('1 a, 2 c', Sketch::of($without));
        self::assertSame(OffcutReason::SetAside, array_values($without->changedOffcuts)[0]?->reason);
    }

    /**
     * @return iterable<string, array{string, string, list<array<string, mixed>>, string}> document, cut,
     *     what happens then, and after it came back
     */
    public static function returns(): iterable
    {
        yield 'to its place' => ['1 a, 2 b, 1 c', 'b', [], '1 a, 2 b, 1 c'];
        yield 'to the head, when it was the first' => ['1 a, 1 b', 'a', [], '1 a, 1 b'];
        yield 'to after the opening, when it was the first heading' => ['0 , 1 a, 1 b', 'a', [], '0, 1 a, 1 b'];
        yield 'behind what it stood behind, wherever that is now' => [
            '1 a, 2 b, 1 c',
            'b',
            [['name' => 'move', 'sections' => ['a'], 'landing' => 'after', 'target' => 'c']],
            '1 c, 1 a, 2 b',
        ];
        yield 'to the end, when that is gone' => [
            '1 a, 2 b, 1 c',
            'b',
            [['name' => 'delete', 'sections' => ['a']]],
            '1 c, 2 b',
        ];
        yield 'at the level it had, also when the level above has gone up' => [
            '1 a, 2 b, 3 c',
            'c',
            [['name' => 'promote', 'sections' => ['b']]],
            '1 a, 1 b, 3 c',
        ];
    }

    /** @param list<array<string, mixed>> $then */
    #[DataProvider('returns')]
    public function testComesBack(string $before, string $cut, array $then, string $after): void
    {
        $document = Wire::done(Sketch::document($before), ['name' => 'delete', 'sections' => [$cut]])->document;
        $offcut = (string) array_key_first($document->changedOffcuts);
        foreach ($then as $operation) {
            $document = Wire::done($document, $operation)->document;
        }

        self::assertSame(
            $after,
            Sketch::of(Wire::done($document, ['name' => 'bring-back', 'offcut' => $offcut])->document),
        );
    }

    public function testComesBackToAChosenPlaceAtTheLevelOfThatPlace(): void
    {
        $without = Wire::done(Sketch::document('1 a, 2 b, 3 c, 1 d'), ['name' => 'set-aside', 'sections' => ['b']])
            ->document;
        $offcut = (string) array_key_first($without->changedOffcuts);

        foreach (
            ['before' => '1 a, 1 b, 2 c, 1 d', 'after' => '1 a, 1 d, 1 b, 2 c', 'inside' => '1 a, 1 d, 2 b, 3 c']
            as $landing => $outline
        ) {
            self::assertSame(
                $outline,
                Sketch::of(
                    Wire::done($without, [
                        'name' => 'bring-back',
                        'offcut' => $offcut,
                        'landing' => $landing,
                        'target' => 'd',
                    ])->document,
                ),
            );
        }
    }

    public function testTheFormerOpeningComesBackAsOneOnlyWhenThereIsNone(): void
    {
        $without = Wire::done(Sketch::document('0 , 1 a'), ['name' => 'delete', 'sections' => ['opening']])->document;
        $offcut = (string) array_key_first($without->changedOffcuts);
        self::assertSame(
            '0, 1 a',
            Sketch::of(Wire::done($without, ['name' => 'bring-back', 'offcut' => $offcut])->document),
        );

        $other = Wire::done($without, ['name' => 'join', 'section' => 'a', 'heading' => 'paragraph'])->document;
        self::assertSame(
            '0, 1',
            Sketch::of(Wire::done($other, ['name' => 'bring-back', 'offcut' => $offcut])->document),
            'else as a section of its own',
        );
    }

    public function testWhatWouldPassLevelNineStaysWhereItIs(): void
    {
        $without = Wire::done(Sketch::document('1 a, 2 b, 3 c, 8 d'), ['name' => 'delete', 'sections' => ['a']])
            ->document;
        $document = Sketch::document('1 x');
        self::assertSame('', Sketch::of($without));
        $deep = Wire::done(Sketch::document('8 x, 1 a, 2 b, 3 c'), ['name' => 'delete', 'sections' => ['a']])->document;
        $offcut = (string) array_key_first($deep->changedOffcuts);

        self::assertSame(
            '“a” cannot go deeper: a heading in it would pass level 9, the deepest there is.',
            Wire::refused($deep, ['name' => 'bring-back', 'offcut' => $offcut, 'landing' => 'inside', 'target' => 'x'])
                ->sentence,
        );
        self::assertSame('1 x', Sketch::of($document));
    }

    public function testAnOffcutComesBackOnce(): void
    {
        $without = Wire::done(Sketch::document('1 a, 1 b'), ['name' => 'delete', 'sections' => ['b']])->document;
        $offcut = (string) array_key_first($without->changedOffcuts);
        $back = Wire::done($without, ['name' => 'bring-back', 'offcut' => $offcut])->document;

        foreach (
            [['name' => 'bring-back', 'offcut' => $offcut], ['name' => 'discard', 'offcut' => $offcut]]
            as $again
        ) {
            self::assertSame(
                'That offcut is no longer there; it may have been brought back already.',
                Wire::refused($back, $again)->sentence,
            );
        }
    }

    public function testAPassageNeedsWords(): void
    {
        $document = Sketch::document('1 a');
        self::assertSame(
            'Pick the words first that are to be set aside.',
            Wire::refused($document, ['name' => 'set-text-aside', 'section' => 'a', 'from' => 3, 'to' => 3])->sentence,
        );
        self::assertSame(
            'That place is not in the text of this section.',
            Wire::refused($document, ['name' => 'set-text-aside', 'section' => 'a', 'from' => 0, 'to' => 999])
                ->sentence,
        );
    }

    public function testALongPassageIsCalledByItsFirstWords(): void
    {
        $document = Sketch::document('1 a');
        $document = $document->withSection($document->sectionAt(0)->withBody(Sketch::body(str_repeat('glass ', 30))));
        $without = Wire::done($document, ['name' => 'set-text-aside', 'section' => 'a', 'from' => 0, 'to' => 182])
            ->document;
        $name = array_values($without->changedOffcuts)[0]?->name;

        self::assertIsString($name);
        self::assertSame('…', mb_substr($name, -1));
        self::assertLessThanOrEqual(60, mb_strlen($name));
    }

    /** @return list<array{string, int, string|null}> */
    private static function kept(Document $document): array
    {
        $kept = [];
        foreach ($document->changedOffcuts as $offcut) {
            self::assertNotNull($offcut);
            $kept[] = [
                $offcut->name,
                $offcut->outline->count(),
                null === $offcut->after ? null : rtrim($offcut->after->value, 'x'),
            ];
        }

        return $kept;
    }
}
