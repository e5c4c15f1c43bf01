<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Between;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Between\TakeBranches;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Text\Body;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Sketch;

/** Branches taken from one document into another. */
final class TakeBranchesTest extends TestCase
{
    /** @return iterable<string, array{list<string>, Landing, ?string, string}> */
    public static function places(): iterable
    {
        yield 'at the end' => [['b'], Landing::After, null, '1 x, 2 y, 1 z, 1 b, 2 c'];
        yield 'inside' => [['b'], Landing::Inside, 'x', '1 x, 2 y, 2 b, 3 c, 1 z'];
        yield 'before' => [['d'], Landing::Before, 'z', '1 x, 2 y, 1 d, 1 z'];
        yield 'after a branch' => [['a'], Landing::After, 'y', '1 x, 2 y, 2 a, 3 b, 4 c, 3 d, 1 z'];
        yield 'several, each with what is under it' => [
            ['d', 'e', 'b'],
            Landing::Inside,
            'y',
            '1 x, 2 y, 3 b, 4 c, 3 d, 3 e, 1 z',
        ];
        yield 'one inside another is taken once' => [['b', 'c'], Landing::Inside, 'z', '1 x, 2 y, 1 z, 2 b, 3 c'];
    }

    /** @param list<string> $sections */
    #[DataProvider('places')]
    public function testEachBranchTakesTheLevelOfThePlaceAndKeepsItsInnerRelations(
        array $sections,
        Landing $landing,
        ?string $target,
        string $after,
    ): void {
        $from = Sketch::document('1 a, 2 b, 3 c, 2 d, 1 e');
        $taken = $this->taken($from, $sections, $landing, $target, Sketch::document('1 x, 2 y, 1 z'));
        self::assertSame($after, Sketch::of($taken));
        foreach ($from->outline->ids() as $id) {
            self::assertFalse(
                $taken->outline->has($id),
                'a copy has an id of its own, for ids are one document’s only',
            );
        }
    }

    public function testTextAimAndTargetGoAlong(): void
    {
        $from = Sketch::document('1 a');
        $from = $from->withSection($from->section(Sketch::id('a'))->withBody(Sketch::body('Word for word.')));
        $taken = $this->taken($from, ['a'], Landing::After, null, Sketch::document(''));
        self::assertSame('Word for word.', $taken->sectionAt(0)->body->plainText());
        self::assertSame('1 a', Sketch::of($taken));
    }

    public function testLinksInsideFollowAndThoseThatLeadOutAreTold(): void
    {
        $from = $this->linked('1 a, 2 b, 1 c', 'b', [
            'section:' . Sketch::id('a')->value,
            'section:' . Sketch::id('c')->value,
            'https://example.org/',
        ]);
        $outcome = (new TakeBranches($from, [Sketch::id('a')], Landing::After, null, new CountingIds()))->applyTo(
            Sketch::document('1 x'),
        );
        self::assertInstanceOf(Applied::class, $outcome);
        $links = array_keys(References::in($outcome->document->sectionAt(2))->links);
        self::assertSame([$outcome->document->outline->idAt(1)->value, Sketch::id('c')->value], $links);
        self::assertSame(
            ['One link leads to what stayed behind; it is among the findings there.'],
            array_map(static fn($notice): string => $notice->sentence, $outcome->notices),
        );
        self::assertSame([$outcome->document->outline->idAt(2)->value], $outcome->notices[0]->sections);
    }

    public function testBookmarksGetNamesThatAreFreeHereAndLinksToThemFollow(): void
    {
        $bookmarked = static fn(Section $section, string $id): Section => $section->withBody(
            Body::fromJson([
                [
                    'type' => 'paragraph',
                    'content' => [
                        ['type' => 'bookmark', 'attrs' => ['id' => $id, 'name' => 'lamp']],
                        [
                            'type' => 'text',
                            'text' => 'see',
                            'marks' => [['type' => 'link', 'attrs' => ['href' => 'bookmark:' . $id, 'title' => null]]],
                        ],
                    ],
                ],
            ]),
        );
        $from = Sketch::document('1 a');
        $from = $from->withSection($bookmarked($from->section(Sketch::id('a')), 'bookmarkaaaa'));
        $here = Sketch::document('1 x');
        $here = $here->withSection($bookmarked($here->section(Sketch::id('x')), 'bookmarkbbbb'));
        $taken = $this->taken($from, ['a'], Landing::After, null, $here);
        $references = References::in($taken->sectionAt(1));
        self::assertCount(1, $references->bookmarks);
        self::assertNotSame('lamp', array_values($references->bookmarks)[0]);
        self::assertSame(array_keys($references->bookmarks), array_keys($references->links));
        self::assertArrayNotHasKey('bookmarkaaaa', $references->bookmarks);
    }

    public function testWhatCannotBeTakenIsRefusedInASentence(): void
    {
        $from = Sketch::document('0, 1 a, 2 b, 3 c');
        $deep = Sketch::document('1 p, 2 q, 3 r, 4 s, 5 t, 6 u, 7 v, 8 w, 9 x');
        foreach (
            [
                [[], null, $deep],
                [['opening'], null, $deep],
                [['never'], null, $deep],
                [['a'], 'never', $deep],
                [['a'], 'v', $deep],
                [['c'], 'x', $deep],
            ]
            as [$sections, $target, $into]
        ) {
            $outcome = (new TakeBranches(
                $from,
                array_map(Sketch::id(...), $sections),
                Landing::Inside,
                null === $target ? null : Sketch::id($target),
                new CountingIds(),
            ))->applyTo($into);
            self::assertInstanceOf(Refused::class, $outcome);
            self::assertMatchesRegularExpression('/^[A-Z“].*\.$/u', $outcome->sentence);
        }
    }

    /** @param list<string> $sections */
    private function taken(Document $from, array $sections, Landing $landing, ?string $target, Document $into): Document
    {
        $ids = array_map(Sketch::id(...), $sections);
        $outcome = (new TakeBranches(
            $from,
            $ids,
            $landing,
            null === $target ? null : Sketch::id($target),
            new CountingIds(),
        ))->applyTo($into);
        self::assertInstanceOf(Applied::class, $outcome);

        return $outcome->document;
    }

    /** @param list<string> $targets */
    private function linked(string $sketch, string $holder, array $targets): Document
    {
        $document = Sketch::document($sketch);
        $links = array_map(
            static fn(string $target): array => [
                'type' => 'text',
                'text' => 'link ',
                'marks' => [['type' => 'link', 'attrs' => ['href' => $target, 'title' => null]]],
            ],
            $targets,
        );

        return $document->withSection(
            $document
                ->section(Sketch::id($holder))
                ->withBody(Body::fromJson([['type' => 'paragraph', 'content' => $links]])),
        );
    }
}
