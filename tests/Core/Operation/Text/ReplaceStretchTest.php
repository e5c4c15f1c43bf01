<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Text;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Offcut\BringBack;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Text\ReplaceStretch;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\StoredForm;
use Stemmata\Tests\Support\Wire;

final class ReplaceStretchTest extends TestCase
{
    public function testASectionThatWasCutAndIsPastedIsItselfAgain(): void
    {
        $document = Sketch::document('1 a, 2 b, 2 c, 1 d');
        $document = Wire::done($document, [
            'name' => 'describe-section',
            'sections' => ['b'],
            'aim' => 'Show the gale',
            'stage' => 'drafted',
            'marker' => 'leaf',
            'numbered' => false,
        ])->document;
        $mark = new Node('bookmark', ['id' => 'mark00000000', 'name' => 'watch']);
        $document = $document->withSection(
            $document->sectionAt(1)->withBody(Body::of([Node::paragraph([Node::text('b1 '), $mark])])),
        );
        $cut = Wire::done($document, ['name' => 'delete', 'sections' => ['b', 'c'], 'extent' => 'heading-only'])
            ->document;
        $text = static fn(Document $from, int $at): array => [
            'heading' => $from->sectionAt($at)->heading->toJson(),
            'body' => $from->sectionAt($at)->body->toJson(),
        ];
        $pasted = Wire::done($cut, [
            'name' => 'replace-stretch',
            'sections' => ['d'],
            'texts' => [
                $text($cut, 1),
                [...$text($document, 1), 'id' => Sketch::id('b')->value, 'level' => 3],
                [...$text($document, 2), 'id' => Sketch::id('c')->value, 'level' => 3],
            ],
        ])->document;

        self::assertSame(
            ['a', 'd', 'b', 'c'],
            array_map(
                static fn(Section $section): string => $section->heading->plainText(),
                array_values(iterator_to_array($pasted->sections())),
            ),
        );
        self::assertEquals($document->sectionAt(1), $pasted->sectionAt(2));
        self::assertFalse($pasted->outline->isNumberedAt(2));
        self::assertSame(Level::Three, $pasted->outline->levelAt(2));
        self::assertSame([], array_filter($pasted->changedOffcuts));
    }

    /** A stretch of a random document is deleted as an editor deletes it, and the step is undone; 2,000 times in full. */
    public function testWhatGoesGoesToTheOffcutsAndUndoIsExact(): void
    {
        for ($seed = 1, $runs = Dose::of(2000, 600); $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $document = (new RandomDocuments($random, $ids))->document();
            $count = $document->outline->count();
            if (0 === $count) {
                continue;
            }
            $from = $random->getInt(0, $count - 1);
            $to = $random->getInt($from, $count - 1);
            [$stretch, $removed] = self::deleted($random, $ids, $document, $from, $to);
            $outcome = $stretch->applyTo($document);
            $at = sprintf('seed %d', $seed);
            self::assertInstanceOf(Applied::class, $outcome, $at);

            $after = $outcome->document;
            self::assertSame($count - ($to - $from), $after->outline->count(), $at);
            $kept = StoredForm::idsKept($after);
            self::assertSame([], array_diff(StoredForm::idsKept($document), $kept), 'A section lost its id: ' . $at);
            self::assertSame(
                mb_strlen(StoredForm::letters($document)),
                mb_strlen(StoredForm::letters($after)) + $removed,
                'Characters were lost or doubled: ' . $at,
            );
            $here = StoredForm::of($document);
            $change = Change::between($document, $after);
            self::assertTrue(StoredForm::of($after) === StoredForm::changed($here, $change), $at);
            self::assertTrue($here === StoredForm::changed(StoredForm::of($after), $change->inverted()), $at);

            $offcut = array_key_last($after->changedOffcuts);
            if ($to > $from && null !== $offcut) {
                $back = (new BringBack(
                    SectionId::fromString((string) $offcut),
                    Landing::After,
                    $document->outline->idAt($from),
                    null,
                ))->applyTo($after);
                self::assertTrue($back instanceof Refused || $count === $back->document->outline->count(), $at);
            }
        }
    }

    public function testWordsTypedOverAStretchStandInTheFirstSection(): void
    {
        $document = self::read("# One\n\nAlpha beta.\n\n## Two\n\nGamma.\n\n# Three\n\nDelta epsilon.\n");
        [$one, $two, $three] = $document->outline->ids();
        $outcome = (new ReplaceStretch(
            [$one, $two, $three],
            7,
            [[Heading::plain('One'), self::text('Alpha typed epsilon.'), null, null]],
            OffcutReason::Deleted,
            new CountingIds(),
        ))->applyTo($document);

        self::assertInstanceOf(Applied::class, $outcome);
        $after = $outcome->document;
        self::assertSame(['One'], $after->headings());
        self::assertSame('Alpha typed epsilon.', $after->section($one)->body->plainText());
        $offcut = array_values($after->changedOffcuts)[0];
        self::assertSame(
            ['Two', '12', $one],
            [$offcut?->name, '21' === $offcut?->outline->levels ? '12' : '', $offcut?->after],
        );
        self::assertSame('Delta ', $after->section($three)->body->plainText());
    }

    public function testAHeadingIsSplitInTwo(): void
    {
        $document = self::read("# One two\n\nText.\n");
        $outcome = (new ReplaceStretch(
            [$document->outline->idAt(0)],
            null,
            [
                [Heading::plain('One'), Body::empty(), null, null],
                [Heading::plain('two'), self::text('Text.'), Level::Two, SectionId::fromString('madehere0000')],
            ],
            OffcutReason::Deleted,
            new CountingIds(),
        ))->applyTo($document);

        self::assertInstanceOf(Applied::class, $outcome);
        self::assertSame(['One', 'two'], $outcome->document->headings());
        self::assertSame('12', $outcome->document->outline->levels);
        self::assertSame('madehere0000', $outcome->document->outline->idAt(1)->value);
    }

    public function testWhatIsNoStretchIsRefused(): void
    {
        $document = self::read("Opening.\n\n# One\n\nText.\n\n# Two\n\n# Three\n");
        [$opening, $one, $two, $three] = $document->outline->ids();
        $refused = static function (array $sections, ?int $keptFrom, string $heading) use ($document): ?string {
            assert(array_is_list($sections) && [] !== $sections);
            $outcome = (new ReplaceStretch(
                array_values(array_filter($sections, static fn(mixed $id): bool => $id instanceof SectionId)) ?:
                throw new \LogicException(),
                $keptFrom,
                [[Heading::plain($heading), Body::empty(), null, null]],
                OffcutReason::Deleted,
                new CountingIds(),
            ))->applyTo($document);

            return $outcome instanceof Refused ? $outcome->sentence : null;
        };

        $moved = 'Other sections stand between these in the document; nothing was changed.';
        self::assertSame($moved, $refused([$one, $three], null, 'One'));
        self::assertSame($moved, $refused([$two, $one], null, 'One'));
        self::assertNotNull($refused([SectionId::fromString('zzzzzzzzzzzz')], null, 'One'));
        self::assertNotNull($refused([$one, $two], 5, 'One'), 'nothing stands there');
        self::assertNotNull($refused([$opening], null, 'A heading'));
        self::assertNull($refused([$opening, $one], 0, ''));
    }

    public function testABookmarkKeptBehindTheStretchIsNoSecondOne(): void
    {
        $document = self::read("# One\n\nAlpha.\n\n# Two\n\nBeta <a id=\"gale\"></a>gamma.\n");
        [$one, $two] = $document->outline->ids();
        $size = $document->section($two)->body->size();
        $tail = $document->section($two)->body->cut(6, $size);
        $with = static fn(?int $keptFrom): Applied|Refused => (new ReplaceStretch(
            [$one, $two],
            $keptFrom,
            [[Heading::plain('One'), $tail, null, null]],
            OffcutReason::Deleted,
            new CountingIds(),
        ))->applyTo($document);

        self::assertInstanceOf(Applied::class, $with(6));
        self::assertInstanceOf(Refused::class, $with(null), 'it would stand in the text and in the offcut');
    }

    /** @return array{ReplaceStretch, int} and how many characters it takes away for good */
    private static function deleted(Randomizer $random, CountingIds $ids, Document $document, int $from, int $to): array
    {
        $first = $document->sectionAt($from);
        $last = $document->sectionAt($to);
        $at = $random->getInt(0, $first->body->size());
        $keptFrom = $random->getInt($from === $to ? $at : 0, $last->body->size());
        $head = $first->body->cut(0, $at);
        $tail = $last->body->cut($keptFrom, $last->body->size());
        $gone = $first->body->cut($at, $from === $to ? $keptFrom : $first->body->size());
        $sections = array_slice($document->outline->ids(), $from, $to - $from + 1);
        assert([] !== $sections);

        return [
            new ReplaceStretch(
                $sections,
                $from === $to ? null : $keptFrom,
                [[$first->heading, $head->followedBy($tail), null, null]],
                OffcutReason::Deleted,
                $ids,
            ),
            mb_strlen(self::letters($gone)),
        ];
    }

    private static function letters(Body $body): string
    {
        return (string) preg_replace('/\s+/u', '', $body->plainText());
    }

    private static function text(string $words): Body
    {
        return Body::of([Node::paragraph([Node::text($words)])]);
    }

    private static function read(string $markdown): Document
    {
        return Services::formats()->read('x.md', $markdown)->document;
    }
}
