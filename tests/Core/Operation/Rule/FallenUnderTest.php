<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Rule;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Operation\Rule\FallenUnder;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

/** What a change let fall under another heading is told, whichever operation it was. */
final class FallenUnderTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>, list<string>}> */
    public static function changes(): iterable
    {
        yield 'promote' => [
            '1 a, 2 b, 2 c, 2 d',
            ['name' => 'promote', 'sections' => ['b']],
            ['“c” and 1 more now stand under “b”.'],
        ];
        yield 'demote a heading alone' => [
            '1 a, 1 b, 2 c',
            ['name' => 'demote', 'sections' => ['b'], 'extent' => 'heading-only'],
            ['“c” now stands under “a”.'],
        ];
        yield 'a branch that moves takes along what is under it' => [
            '1 a, 2 b, 1 c',
            ['name' => 'move', 'sections' => ['a'], 'landing' => 'after', 'target' => 'c'],
            [],
        ];
        yield 'a heading that moves alone leaves it behind' => [
            '1 a, 1 b, 2 c, 1 d',
            ['name' => 'move', 'sections' => ['b'], 'landing' => 'after', 'target' => 'd', 'extent' => 'heading-only'],
            ['“c” now stands under “a”.'],
        ];
        yield 'join' => [
            '1 a, 2 b, 3 c, 3 d, 2 e',
            ['name' => 'join', 'section' => 'b', 'heading' => 'paragraph'],
            ['“c” and 1 more now stand under “a”.'],
        ];
        yield 'join under a sibling' => [
            '1 a, 2 x, 2 b, 3 c',
            ['name' => 'join', 'section' => 'b', 'heading' => 'paragraph'],
            ['“c” now stands under “x”.'],
        ];
        yield 'the first heading becomes the opening' => [
            '1 a, 2 b, 1 c',
            ['name' => 'join', 'section' => 'a', 'heading' => 'paragraph'],
            ['“b” now stands at the top, under no heading.'],
        ];
        yield 'delete a heading alone' => [
            '1 a, 2 b, 3 c, 3 d',
            ['name' => 'delete', 'sections' => ['b'], 'extent' => 'heading-only'],
            ['“c” and 1 more now stand under “a”.'],
        ];
        yield 'delete a branch' => ['1 a, 2 b, 3 c, 2 d', ['name' => 'delete', 'sections' => ['b']], []];
        yield 'duplicate a heading alone' => [
            '1 a, 2 b, 2 c',
            ['name' => 'duplicate', 'sections' => ['a'], 'extent' => 'heading-only'],
            ['“b” and 1 more now stand under “a”.'],
        ];
        yield 'duplicate a branch' => ['1 a, 2 b, 1 c', ['name' => 'duplicate', 'sections' => ['a']], []];
        yield 'insert' => [
            '1 a, 3 b',
            ['name' => 'insert', 'landing' => 'before', 'target' => 'b', 'heading' => 'new'],
            [],
        ];
        yield 'make a heading' => [
            '1 a, 2 b',
            ['name' => 'make-heading', 'section' => 'a', 'blocks' => [0], 'level' => 1],
            ['“b” now stands under “Text of a.”.'],
        ];
        yield 'several headings, each told' => [
            '1 a, 2 b, 2 c, 1 d, 2 e, 2 f',
            ['name' => 'promote', 'sections' => ['b', 'e']],
            ['“c” now stands under “b”.', '“f” now stands under “e”.'],
        ];
    }

    /**
     * @param array<string, mixed> $operation
     * @param list<string>         $sentences
     */
    #[DataProvider('changes')]
    public function testIsToldInASentence(string $before, array $operation, array $sentences): void
    {
        $outcome = Wire::done(Sketch::document($before), $operation);

        self::assertSame(
            $sentences,
            array_map(static fn(Notice $notice): string => $notice->sentence, $outcome->notices),
        );
    }

    public function testOfManyTheFirstHundredAreNamed(): void
    {
        $outline =
            '1 a, 2 b, ' . implode(', ', array_map(static fn(int $number): string => '2 c' . $number, range(1, 150)));
        $notice = Wire::done(Sketch::document($outline), ['name' => 'promote', 'sections' => ['b']])->notices[0];

        self::assertSame('“c1” and 149 more now stand under “b”.', $notice->sentence);
        self::assertCount(100, $notice->sections);
        self::assertSame(Sketch::id('c1')->value, $notice->sections[0]);
    }

    /** Against the plain way: the parent of every section, looked for one by one, before and after. */
    public function testNothingIsMissedWhateverTheChange(): void
    {
        $random = new Randomizer(new Mt19937(10));
        for ($run = 0; $run < 400; ++$run) {
            $before = self::randomDocument($random);
            $ids = $before->outline->ids();
            $kept = array_values(array_filter($ids, static fn(): bool => 1 !== $random->getInt(1, 6)));
            if (1 === $random->getInt(1, 3)) {
                $kept = $random->shuffleArray($kept);
            }
            $after = $before->withOutline(
                self::outlineOf(
                    $kept,
                    array_map(
                        static fn(SectionId $id): int => 1 === $random->getInt(1, 5)
                            ? $random->getInt(1, 4)
                            : $before->outline->levelAt($before->outline->positionOf($id))->value,
                        $kept,
                    ),
                ),
            );
            $meant = array_slice($kept, 0, $random->getInt(0, 2));

            $reported = [];
            foreach (FallenUnder::notices($before, $after, $meant) as $notice) {
                array_push($reported, ...$notice->sections);
            }
            self::assertEqualsCanonicalizing(self::fallen($before->outline, $after->outline, $meant), $reported);
        }
    }

    /**
     * @param list<SectionId> $meant
     *
     * @return list<string>
     */
    private static function fallen(Outline $before, Outline $after, array $meant): array
    {
        $parent = static fn(Outline $outline, int $position): ?string => null ===
        ($at = $outline->findParent($position))
            ? null
            : $outline->idAt($at)->value;
        $fallen = [];
        foreach ($after->ids() as $position => $id) {
            if (
                !in_array($id, $meant, false) &&
                $parent($before, $before->positionOf($id)) !== $parent($after, $position)
            ) {
                $fallen[] = $id->value;
            }
        }

        return $fallen;
    }

    private static function randomDocument(Randomizer $random): Document
    {
        $sections = array_map(
            static fn(int $number): string => $random->getInt(1, 4) . ' s' . $number,
            range(1, $random->getInt(2, 14)),
        );

        return Sketch::document((1 === $random->getInt(1, 4) ? '0, ' : '') . implode(', ', $sections));
    }

    /**
     * @param list<SectionId> $ids
     * @param list<int>       $levels
     */
    private static function outlineOf(array $ids, array $levels): Outline
    {
        $outline = Outline::empty();
        foreach ($ids as $index => $id) {
            // Only the first can be the opening.
            $outline = $outline->followedBy(
                Outline::of($id, Level::from(0 === $index ? $levels[$index] : max(1, $levels[$index]))),
            );
        }

        return $outline;
    }
}
