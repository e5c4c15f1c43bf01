<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Starter;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Check\Finding;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Starter\Starter;
use Stemmata\Core\Text\Heading;
use Stemmata\Format\Starter\ShippedStarters;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Sketch;

final class StarterTest extends TestCase
{
    public function testEveryShippedStarterOpensAsASoundOutlineWithAims(): void
    {
        $starters = self::shipped()->all();

        self::assertSame(
            ['Blank', 'Research paper', 'Thesis', 'Business report', 'Policy handbook', 'Reading notes'],
            array_column($starters, 'name'),
        );
        foreach (array_slice($starters, 1) as $starter) {
            $document = $starter->opened('Logs', new CountingIds());
            self::assertSame(
                [],
                array_values(
                    array_filter(
                        StructureCheck::of($document),
                        static fn(Finding $finding): bool => 'unwritten-part' !== $finding->rule,
                    ),
                ),
                $starter->name,
            );
            self::assertNotContains(
                '',
                array_map(
                    static fn($section): string => $section->aim,
                    array_values(iterator_to_array($document->sections())),
                ),
                $starter->name,
            );
            self::assertNotSame([], $document->setup->requiredParts, $starter->name);
        }
    }

    public function testPartsOfAShippedStarterHaveTargets(): void
    {
        $targets = array_map(
            static fn(Section $section): ?int => $section->target,
            array_values(iterator_to_array(self::opened('research-paper')->sections())),
        );
        self::assertNotSame(
            [],
            array_filter($targets, static fn(?int $target): bool => null !== $target && $target > 0),
        );
    }

    public function testTheResearchPaperCountsFromNoughtSoThatArgumentOneIsNumberOne(): void
    {
        $document = self::opened('research-paper');
        $numbers = array_combine($document->headings(), $document->numbers());

        self::assertSame(
            ['0', '0.1', '1', '3', '4', '5'],
            [
                $numbers['Question and claim'],
                $numbers['Question'],
                $numbers['First argument'],
                $numbers['Third argument'],
                $numbers['Counter-argument'],
                $numbers['Rebuttal'],
            ],
        );
    }

    public function testTheThesisHasUnnumberedFrontMatterChaptersAndAppendices(): void
    {
        $document = self::opened('thesis');
        $numbers = array_combine($document->headings(), $document->numbers());

        self::assertSame(
            ['', 'Chapter 1', '1.2', 'Appendix A', ''],
            [
                $numbers['Abstract'],
                $numbers['Introduction'],
                $numbers['The question'],
                $numbers['Further tables'],
                $numbers['Bibliography'],
            ],
        );
    }

    public function testTheCheckMissesRequiredPartsUntilTheyAreWritten(): void
    {
        $document = self::opened('reading-notes');
        $first = $document->outline->idAt(0);
        self::assertContains('The part “The work” has no text yet.', self::messages($document));

        $written = $document->withSection(
            $document->section($first)->withBody(Sketch::body('A. Vance, The Log, 1867.')),
        );
        self::assertNotContains('The part “The work” has no text yet.', self::messages($written));

        $below = $document
            ->withSection(Section::blank(Sketch::id('below'))->withBody(Sketch::body('Words.')))
            ->withOutline(
                $document->outline->spliced(
                    1,
                    1,
                    Outline::of(Sketch::id('below'), Level::from($document->outline->levelAt(0)->value + 1)),
                ),
            );
        self::assertNotContains(
            'The part “The work” has no text yet.',
            self::messages($below),
            'text under it is text of it',
        );

        $again = Section::blank(Sketch::id('again'))
            ->withHeading(Heading::plain('The work'))
            ->withBody(Sketch::body('Words.'));
        $renewed = $document
            ->withSection($again)
            ->withOutline($document->outline->spliced(0, 1, Outline::of($again->id, $document->outline->levelAt(0))));
        self::assertNotContains(
            'The part “The work” is missing.',
            self::messages($renewed),
            'another section of its name stands for it',
        );

        $without = $document->withOutline($document->outline->without(0, 1));
        self::assertContains('The part “The work” is missing.', self::messages($without));
    }

    public function testAnOutlineKeptAsAStarterOpensAsTheSameOutlineWithoutItsText(): void
    {
        $document = self::opened('thesis');
        $kept = Starter::of(
            'kept',
            'Mine',
            $document->withSection($document->sectionAt(0)->withBody(Sketch::body('Secret words.'))),
        );
        $again = Starter::fromJson(
            'kept',
            'Mine',
            (array) json_decode((string) json_encode($kept->toJson()), true),
        )->opened('New', new CountingIds(500));

        self::assertSame($document->headings(), $again->headings());
        self::assertSame($document->numbers(), $again->numbers());
        self::assertSame(count($document->setup->requiredParts), count($again->setup->requiredParts));
        self::assertTrue($again->sectionAt(0)->body->isEmpty());
    }

    /** @return list<string> */
    private static function messages(Document $document): array
    {
        return array_column(StructureCheck::of($document), 'message');
    }

    private static function opened(string $id): Document
    {
        $starter = self::shipped()->find($id);
        self::assertNotNull($starter);

        return $starter->opened('Logs', new CountingIds());
    }

    private static function shipped(): ShippedStarters
    {
        return new ShippedStarters(dirname(__DIR__, 3) . '/starters');
    }
}
