<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Contents;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestDox;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Contents\ContentsDifferences;
use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsPages;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Move\MoveBranch;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\ContentsBlock;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Rule\Refreshing;
use Stemmata\Core\Operation\Text\AddContentsLine;
use Stemmata\Core\Operation\Text\ChangeContentsLine;
use Stemmata\Core\Operation\Text\GenerateContents;
use Stemmata\Core\Operation\Text\RefreshContents;
use Stemmata\Core\Operation\Text\SetUpContents;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\RandomOperations;
use Stemmata\Tests\Support\Services;

/** What was done to contents by hand lasts, and what refreshing would change is told. */
final class HandWorkTest extends TestCase
{
    private const TEXT = <<<'MD'
    Before the first heading.

    # Lamps

    ## Oil

    Words <a id="the_wick" class="bookmark"></a>about the wick.

    ## Gas

    # Gales

    ## October
    MD;

    /** @return iterable<string, array{list<string>, list<string>, list<string>}> */
    public static function captions(): iterable
    {
        yield 'one comes before it' => [['A', 'B'], ['New', 'A', 'B'], ['New', 'by hand', 'B']];
        yield 'the one before it goes' => [['Z', 'A', 'B'], ['A', 'B'], ['by hand', 'B']];
        yield 'it is reworded' => [['A', 'B'], ['A, at length', 'B'], ['by hand', 'B']];
        yield 'it goes' => [['A', 'B'], ['B'], ['B']];
        yield 'another takes its place' => [['A', 'B'], ['B', 'C'], ['B', 'C']];
        yield 'it goes to another section' => [['A', 'B'], ['B', '/', 'A'], ['B', 'by hand']];
        yield 'two say the same' => [['A', 'A'], ['A', 'A', 'A'], ['by hand', 'A', 'A']];
    }

    /**
     * @param list<string> $before captions; a stroke begins another section
     * @param list<string> $after
     * @param list<string> $lines
     */
    #[DataProvider('captions')]
    public function testHandWorkOnALineOfIllustrationsFollowsItsCaption(array $before, array $after, array $lines): void
    {
        $document = self::withContents(new ContentsSettings(1, 9, of: ContentsOf::Figures));
        $document = self::illustrated($document, $before);
        $document = self::done($document, new RefreshContents($document->outline->idAt(0)));
        $key = array_values(
            array_filter(
                ContentsLines::kept(self::contents($document)),
                static fn(array $line): bool => 'A' === $line['heading'],
            ),
        )[0];
        $document = self::done(
            $document,
            new ChangeContentsLine(self::block($document), ContentsLines::keyOf($key), 'by hand', null),
        );
        $document = self::illustrated($document, $after);
        $lost = ContentsDifferences::lostHandWork($document, self::contents($document));
        $document = self::done($document, new RefreshContents($document->outline->idAt(0)));
        self::assertSame(
            $lines,
            array_map(ContentsLines::wordsOf(...), ContentsLines::kept(self::contents($document))),
        );
        self::assertSame(in_array('by hand', $lines, true) ? [] : ['Figure 1 by hand'], $lost);
        self::assertSame([], self::differences($document));
    }

    public function testWhatIsBehindInAListOfIllustrationsIsToldByItsCaptions(): void
    {
        $document = self::withContents(new ContentsSettings(1, 9, of: ContentsOf::Figures));
        $document = self::illustrated($document, ['A', 'B']);
        $document = self::done($document, new RefreshContents($document->outline->idAt(0)));
        self::assertSame(
            ['“Figure 1 New” is new', '“Figure 1 A” is now “Figure 2 A”', '“Figure 2 B” is now “Figure 3 B”'],
            self::differences(self::illustrated($document, ['New', 'A', 'B'])),
        );
        self::assertSame(
            ['“Figure 2 B” is now “Figure 1 B”', '“Figure 1 A” goes'],
            self::differences(self::illustrated($document, ['B'])),
        );
        // A table before them shifts the count of the section, and nothing that anybody sees.
        $table = Services::formats()->read('a.html', '<table><caption>T</caption><tr><td>1</td></tr></table>')
            ->document;
        $section = $document->sectionAt(2);
        $shifted = $document->withSection(
            $section->withBody(Body::of([...$table->sectionAt(0)->body->blocks, ...$section->body->blocks])),
        );
        self::assertSame([], self::differences($shifted));
        self::assertTrue(ContentsLines::isCurrent($shifted, self::contents($shifted)));
        // They lead to where their captions are now.
        self::assertSame(
            [
                [$section->id->value . ':0', $section->id->value . ':1'],
                [$section->id->value . ':1', $section->id->value . ':2'],
            ],
            self::keysAndTargets($shifted),
        );
        self::assertSame(
            [[$section->id->value . ':0', $section->id->value . ':1'], ['', $section->id->value . ':0']],
            self::keysAndTargets(self::illustrated($document, ['B'])),
        );
    }

    /** @return array{list<string>, list<string>} */
    private static function keysAndTargets(Document $document): array
    {
        $lines = Rendition::of($document)->contentsLines(self::contents($document));

        return [array_column($lines, 'key'), array_column($lines, 'id')];
    }

    /** @param list<string> $captions of pictures in the section of the oil; after a stroke, in the next */
    private static function illustrated(Document $document, array $captions): Document
    {
        $position = 2;
        $blocks = [2 => [], 3 => []];
        foreach ($captions as $words) {
            if ('/' === $words) {
                ++$position;
                continue;
            }
            $html = sprintf(
                '<figure><img src="data:image/png;base64,%s" alt=""><figcaption>%s</figcaption></figure>',
                base64_encode(Packed::PNG),
                $words,
            );
            $read = Services::formats()->read('a.html', $html)->document;
            array_push($blocks[$position], ...$read->sectionAt(0)->body->blocks);
        }
        foreach ($blocks as $at => $figures) {
            $document = $document->withSection($document->sectionAt($at)->withBody(Body::of($figures)));
        }

        return $document;
    }

    public function testALineRewordedOneLeftOutAndOneAddedLastThroughMovingAndRefreshing(): void
    {
        $document = self::withContents(new ContentsSettings(1, 2, true, 'Contents'));
        $document = self::done($document, self::reworded($document, 'Oil', 'Oil, at length'));
        $document = self::done($document, self::leftOut($document, 'Gas'));
        $document = self::done(
            $document,
            new AddContentsLine(self::block($document), self::bookmark($document), 'The wick', 2),
        );
        self::assertSame(
            ['1 Lamps', '1.1 Oil, at length', 'The wick', '2 Gales', '2.1 October'],
            self::printed($document),
        );
        self::assertSame([], self::differences($document), 'hand work is no difference');

        $oil = $document->outline->idAt(2);
        $document = self::done(
            $document,
            new MoveBranch([$oil], Landing::Inside, $document->outline->idAt(4), Extent::Branch),
        );
        self::assertSame(
            [
                '“1.2 Gas” is now “1.1 Gas”',
                '“1.1 Oil, at length” is now “2.2 Oil, at length”',
                '“The wick” stands elsewhere',
            ],
            self::differences($document),
        );
        $document = self::done($document, new RefreshContents($document->outline->idAt(0)));
        self::assertSame(
            ['1 Lamps', '2 Gales', '2.1 October', '2.2 Oil, at length', 'The wick'],
            self::printed($document),
        );
    }

    /** The wording of each difference. */
    public function testEachDifferenceIsTold(): void
    {
        $document = self::withContents(new ContentsSettings(1, 2, true, 'Contents'));
        $document = self::done($document, self::reworded($document, 'Gas', 'Of gas'));
        $ids = $document->outline->ids();
        $heading = static fn(Document $each, int $position, string $words): Document => $each->withSection(
            $each->sectionAt($position)->withHeading(Heading::plain($words)),
        );
        $renamed = $heading($heading($document, 2, 'Whale oil'), 3, 'Coal gas');
        self::assertSame(
            ['“1.1 Oil” is now “1.1 Whale oil”', '“Of gas” stays as you worded it; its heading is now “Coal gas”'],
            self::differences($renamed),
        );
        $new = Section::blank(SectionId::fromString('new000000000'))->withHeading(Heading::plain('Fog'));
        $longer = $document
            ->withSection($new)
            ->withOutline($document->outline->followedBy(Outline::of($new->id, Level::One)));
        self::assertSame(['“3 Fog” is new'], self::differences($longer));
        $packed = $document->outline;
        $deeper = $document->withOutline(Outline::packed($packed->ids, '012212', $packed->flags));
        self::assertSame([], self::differences($deeper));
        $without = Outline::packed(
            substr($packed->ids, 0, 3 * SectionId::LENGTH) . substr($packed->ids, 4 * SectionId::LENGTH),
            '01212',
            '00000',
        );
        self::assertSame(
            ['“1.2 Of gas”, which you made by hand, goes'],
            self::differences($document->withOutline($without)),
        );
        $refreshed = (new RefreshContents($ids[0]))->applyTo($document->withOutline($without));
        self::assertInstanceOf(Applied::class, $refreshed);
        self::assertSame(
            'The line “1.2 Of gas”, made by hand, went: what it leads to is not in the document any more.',
            $refreshed->notices[0]->sentence ?? null,
        );
    }

    public function testWhatIsNotNamedStaysInAChange(): void
    {
        $document = self::withContents(new ContentsSettings(1, 2, true, 'Contents', isAlwaysCurrent: true));
        $block = self::block($document);
        $branch = $document->outline->idAt(1)->value;
        $document = self::done($document, new SetUpContents($block, ['branch' => $branch]));
        $document = self::done($document, new SetUpContents($block, ['title' => 'In short', 'twoColumns' => true]));
        $document = self::done($document, new SetUpContents($block, ['to' => 3]));
        $settings = static function (Document $document) use ($block): ContentsSettings {
            $contents = $block->find($document);
            self::assertInstanceOf(Node::class, $contents);

            return ContentsSettings::in($contents);
        };
        $expected = static fn(?string $branch): ContentsSettings => new ContentsSettings(
            1,
            3,
            true,
            'In short',
            twoColumns: true,
            isAlwaysCurrent: true,
            branch: null === $branch ? null : SectionId::fromString($branch),
        );
        self::assertEquals($expected($branch), $settings($document));
        $whole = self::done($document, new SetUpContents($block, ['branch' => null]));
        self::assertEquals($expected(null), $settings($whole));
    }

    public function testALevelLooksAsItIsToldAndTheOthersStay(): void
    {
        $document = self::withContents(new ContentsSettings(1, 2));
        $block = self::block($document);
        $looks = static function (Document $document) use ($block): array {
            $contents = $block->find($document);
            self::assertInstanceOf(Node::class, $contents);

            return ContentsSettings::in($contents)->looks;
        };
        $document = self::done($document, new SetUpContents($block, ['looks' => [2 => 'italic']]));
        $document = self::done($document, new SetUpContents($block, ['looks' => [1 => 'strong']]));
        self::assertSame([1 => LineLook::Strong, 2 => LineLook::Italic], $looks($document));
        $document = self::done($document, new SetUpContents($block, ['looks' => [2 => null]]));
        self::assertSame([1 => LineLook::Strong], $looks($document));
        $plain = self::done($document, new SetUpContents($block, ['looks' => [1 => null]]));
        self::assertSame([], $looks($plain));
    }

    public function testManyLinesThatOnlyBearAnotherNumberAreToldAsOne(): void
    {
        $document = self::withContents(new ContentsSettings(1, 2, true, 'Contents'));
        $new = Section::blank(SectionId::fromString('new000000000'))->withHeading(Heading::plain('Fog'));
        $packed = $document->outline;
        $outline = Outline::packed(
            substr($packed->ids, 0, SectionId::LENGTH) . $new->id->value . substr($packed->ids, SectionId::LENGTH),
            '01' . substr($packed->levels, 1),
            '0' . $packed->flags,
        );
        $contents = self::block($document)->find($document);
        self::assertInstanceOf(Node::class, $contents);
        $differences = ContentsDifferences::of($document->withSection($new)->withOutline($outline), $contents);
        self::assertSame(
            ['“1 Fog” is new', '5 lines bear another number: “1 Lamps” is now “2 Lamps”, and so on'],
            array_column($differences, 'sentence'),
        );
        self::assertSame([1, 5], array_map(count(...), array_column($differences, 'lines')));
    }

    public function testALineIsTakenBack(): void
    {
        $document = self::withContents(new ContentsSettings(1, 2, true, 'Contents'));
        $changed = self::done($document, self::reworded($document, 'Gas', ' Of gas '));
        self::assertContains('1.2 Of gas', self::printed($changed));
        self::assertEquals(
            $document->sectionAt(0),
            self::done($changed, self::reworded($changed, 'Gas', ''))->sectionAt(0),
        );
        $gas = $document->outline->idAt(3)->value;
        $out = self::done($document, self::leftOut($document, 'Gas'));
        self::assertEquals(
            $document->sectionAt(0),
            self::done($out, new ChangeContentsLine(self::block($out), $gas, null, false))->sectionAt(0),
        );
        $added = self::done(
            $document,
            new AddContentsLine(self::block($document), self::bookmark($document), 'The wick', 2),
        );
        self::assertEquals(
            $document->sectionAt(0),
            self::done(
                $added,
                new ChangeContentsLine(self::block($added), self::bookmark($added)->value, null, true),
            )->sectionAt(0),
        );
    }

    public function testWhatCannotBeIsRefusedInASentence(): void
    {
        $document = self::withContents(new ContentsSettings(1, 2));
        $block = self::block($document);
        $bookmark = self::bookmark($document);
        foreach (
            [
                'The contents must go from a level to the same or a deeper one.' => new SetUpContents($block, [
                    'from' => 3,
                    'to' => 2,
                ]),
                'There are no contents in this section to refresh.' => new SetUpContents(
                    new ContentsBlock($block->section, 1),
                    ['from' => 1],
                ),
                'There is no such line in these contents any more.' => new ChangeContentsLine(
                    $block,
                    'none',
                    'a',
                    null,
                ),
                'That bookmark is not in the document any more.' => new AddContentsLine(
                    $block,
                    SectionId::fromString('mark00000000'),
                    'Words',
                    1,
                ),
                'A line of contents needs words.' => new AddContentsLine($block, $bookmark, ' ', 1),
                'A line of contents stands on one of the levels 1 to 9.' => new AddContentsLine(
                    $block,
                    $bookmark,
                    'Words',
                    10,
                ),
            ]
            as $sentence => $operation
        ) {
            $refused = $operation->applyTo($document);
            self::assertInstanceOf(Refused::class, $refused);
            self::assertSame($sentence, $refused->sentence);
        }
    }

    public function testOneBranchTheFiguresAndTheTables(): void
    {
        $markdown =
            "# One\n\n![A](data:image/gif;base64,R0lGODlhAQABAAAAACw=)\n\n## In it\n\n# Two\n\n| a |\n|---|\n| b |\n";
        $document = Services::formats()->read('x.md', $markdown)->document;
        $figure = new Node('figure', ['src' => 'https://example.org/a.png', 'alt' => ''], [Node::text('A lamp')]);
        $document = $document->withSection($document->sectionAt(1)->withBody(Body::of([$figure])));
        $settings = new ContentsSettings(1, 9, of: ContentsOf::Figures);
        self::assertSame(
            [['1', 'Figure 1', 'A lamp']],
            array_map(
                static fn(array $line): array => [(string) $line['level'], $line['number'], $line['heading']],
                ContentsLines::of($document, $settings),
            ),
        );
        $branch = new ContentsSettings(1, 9, branch: $document->outline->idAt(0));
        self::assertSame(['In it'], array_column(ContentsLines::of($document, $branch), 'heading'));
    }

    public function testContentsThatAreAlwaysCurrentFollow(): void
    {
        $document = self::withContents(new ContentsSettings(1, 2, isAlwaysCurrent: true));
        $renamed = $document->withSection($document->sectionAt(2)->withHeading(Heading::plain('Whale oil')));
        self::assertContains(
            '1.1 Whale oil',
            self::printed(Refreshing::alwaysCurrent(new Applied($renamed))->document),
        );
        self::assertSame($document, Refreshing::alwaysCurrent(new Applied($document))->document);
    }

    public function testALineMadeByHandThatGoesWithoutBeingAskedForIsToldToo(): void
    {
        $document = self::withContents(new ContentsSettings(1, 2, true, 'Contents', isAlwaysCurrent: true));
        $document = self::done($document, self::reworded($document, 'Gas', 'Of gas'));
        $packed = $document->outline;
        $without = $document->withOutline(
            Outline::packed(
                substr($packed->ids, 0, 3 * SectionId::LENGTH) . substr($packed->ids, 4 * SectionId::LENGTH),
                '01212',
                '00000',
            ),
        );
        $followed = Refreshing::alwaysCurrent(new Applied($without));

        self::assertNotContains('1.2 Of gas', self::printed($followed->document));
        self::assertSame(
            ['The line “1.2 Of gas”, made by hand, went: what it leads to is not in the document any more.'],
            array_column($followed->notices, 'sentence'),
        );
    }

    public function testSettingsComeBackFromTheBlock(): void
    {
        $settings = new ContentsSettings(
            2,
            4,
            false,
            'In short',
            ContentsPages::Plain,
            true,
            true,
            true,
            true,
            SectionId::fromString('n00000000009'),
            ContentsOf::Tables,
        );
        self::assertEquals($settings, ContentsSettings::in(new Node('contents', $settings->attributes())));
        self::assertEquals(
            new ContentsSettings(1, 3),
            ContentsSettings::in(new Node('contents', (new ContentsSettings(1, 3))->attributes())),
        );
    }

    #[TestDox('Hand work survives 500 random operations and refreshes, for as long as its section is there')]
    public function testHandWorkSurvivesRandomOperations(): void
    {
        $lasted = 0;
        for ($seed = 1, $runs = Dose::of(40, 6); $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $documents = new RandomDocuments($random, $ids);
            $operations = new RandomOperations($random, $documents, $ids);
            $document = $documents->document();
            $holder = Section::blank($ids->next());
            $document = $document
                ->withSection($holder)
                ->withOutline($document->outline->followedBy(Outline::of($holder->id, Level::One)));
            $document = self::done($document, new GenerateContents($holder->id, new ContentsSettings(1, 9)));
            $block = new ContentsBlock($holder->id, 0);
            $first = $document->outline->hasOpening() ? 1 : 0;
            $line = $document->outline->idAt($first)->value;
            if ('' === trim($document->headings()[$first])) {
                continue;
            }
            $document = self::done($document, new ChangeContentsLine($block, $line, 'By hand', null));
            for ($step = 0; $step < 500; ++$step) {
                [$name, $operation] = $operations->on($document);
                $outcome = $operation->applyTo($document);
                $touches = in_array($name, ['change-contents-line', 'set-up-contents'], true);
                if (
                    $touches ||
                    !($outcome instanceof Applied) ||
                    $outcome->document->outline->count() > 40 ||
                    !$outcome->document->outline->has($holder->id) ||
                    $block->find($outcome->document) instanceof Refused
                ) {
                    continue;
                }
                $document = self::done($outcome->document, new RefreshContents($holder->id));
                if (!$document->outline->has(SectionId::fromString($line))) {
                    break;
                }
                $contents = $block->find($document);
                self::assertInstanceOf(Node::class, $contents);
                self::assertSame([], ContentsDifferences::of($document, $contents));
                $kept = array_column(ContentsLines::kept($contents), 'words', 'section');
                $isListed = in_array(
                    $line,
                    array_column(ContentsLines::of($document, ContentsSettings::in($contents)), 'section'),
                    true,
                );
                if ($isListed && ($document->headings()[$document->outline->positions()[$line]] ?? '') !== '') {
                    self::assertSame(
                        'By hand',
                        $kept[$line] ?? 'By hand',
                        sprintf('seed %d, step %d, %s', $seed, $step, $name),
                    );
                    ++$lasted;
                }
            }
        }
        self::assertGreaterThan(100, $lasted);
    }

    private static function withContents(ContentsSettings $settings): Document
    {
        $document = Services::formats()->read('book.md', self::TEXT)->document;

        return self::done($document, new GenerateContents($document->outline->idAt(0), $settings));
    }

    private static function block(Document $document): ContentsBlock
    {
        return new ContentsBlock($document->outline->idAt(0), 0);
    }

    private static function contents(Document $document): Node
    {
        $contents = self::block($document)->find($document);
        self::assertInstanceOf(Node::class, $contents);

        return $contents;
    }

    private static function bookmark(Document $document): SectionId
    {
        return SectionId::fromString((string) array_key_first(ContentsLines::holders($document)));
    }

    private static function reworded(Document $document, string $heading, string $words): ChangeContentsLine
    {
        $at = (int) array_search($heading, $document->headings(), true);

        return new ChangeContentsLine(self::block($document), $document->outline->idAt($at)->value, $words, null);
    }

    private static function leftOut(Document $document, string $heading): ChangeContentsLine
    {
        $at = (int) array_search($heading, $document->headings(), true);

        return new ChangeContentsLine(self::block($document), $document->outline->idAt($at)->value, null, true);
    }

    private static function done(Document $document, Operation $operation): Document
    {
        $outcome = $operation->applyTo($document);
        self::assertInstanceOf(Applied::class, $outcome);

        return $outcome->document;
    }

    /** @return list<string> */
    private static function printed(Document $document): array
    {
        $contents = self::contents($document);
        $lines = [];
        foreach (Rendition::of($document)->contentsLines($contents) as $line) {
            $lines[] = $line->words;
        }

        return $lines;
    }

    /** @return list<string> */
    private static function differences(Document $document): array
    {
        return array_column(ContentsDifferences::of($document, self::contents($document)), 'sentence');
    }
}
