<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Page;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Detail\SetUpPages;
use Stemmata\Core\Operation\Detail\UseHouseStyle;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Page\ChapterStart;
use Stemmata\Core\Page\InvalidPageSetup;
use Stemmata\Core\Page\Margins;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Page\Paper;
use Stemmata\Core\Page\RunningField;
use Stemmata\Core\Page\RunningLine;
use Stemmata\Tests\Support\Services;

final class PageSetupTest extends TestCase
{
    public function testComesBackFromWhatIsKept(): void
    {
        $setup = new PageSetup(
            Paper::Digest,
            new Margins(20.5, 21, 22, 23),
            true,
            ChapterStart::RightPage,
            false,
            ['A draft'],
            true,
            'n00000000001',
            ['n00000000002' => 7],
            new RunningLine(['The '], [RunningField::Title], [RunningField::Heading2]),
            new RunningLine(),
            firstFooter: new RunningLine(middle: [RunningField::Page, ' of ', RunningField::Pages]),
        );
        $json = json_decode(json_encode($setup->toJson(), \JSON_THROW_ON_ERROR), true);
        self::assertEquals($setup, PageSetup::fromJson($json));
    }

    public function testWhatIsUsualStandsWhereNothingIsSaid(): void
    {
        $one = new PageSetup();
        self::assertTrue($one->rightHeader()->isEmpty());
        self::assertEquals(new RunningLine(middle: [RunningField::Page]), $one->rightFooter());
        $two = new PageSetup(isTwoSided: true);
        self::assertEquals(new RunningLine(end: [RunningField::Heading1]), $two->rightHeader());
        self::assertEquals(new RunningLine([RunningField::Title]), $two->evenHeader());
        self::assertTrue($two->firstHeader()->isEmpty(), 'nothing stands over the beginning of a chapter');
        $own = new PageSetup(isTwoSided: true, header: new RunningLine(['A'], [], ['B']));
        self::assertEquals(new RunningLine(['B'], [], ['A']), $own->evenHeader(), 'the other side, mirrored');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function senseless(): iterable
    {
        $margins = 'Each margin must be from 5 to 80 millimetres.';
        yield 'a margin too narrow' => [['margins' => self::margins(4.9, 20, 20, 20)], $margins];
        yield 'a margin too wide' => [['margins' => self::margins(20, 20, 20, 80.1)], $margins];
        yield 'a margin that is no number' => [['margins' => self::margins(20, 20, 20, 'wide')], $margins];
        yield 'a margin too few' => [
            ['margins' => ['top' => 20, 'bottom' => 20, 'inner' => 20]],
            'This page setup cannot be read.',
        ];
        yield 'no room' => [
            ['paper' => 'a5', 'margins' => self::margins(20, 20, 54.1, 54)],
            'These margins leave less than 40 millimetres for the text; make them smaller or the paper larger.',
        ];
        yield 'no paper' => [['paper' => 'a3'], 'This page setup cannot be read.'];
        yield 'too many lines' => [
            ['titleLines' => array_fill(0, 13, 'A')],
            'A title page holds at most 12 lines of your own, of at most 200 characters.',
        ];
        yield 'a number below 1' => [
            ['restarts' => ['n00000000001' => 0]],
            'Page numbers can begin again at a number from 1 to 9999.',
        ];
        yield 'a field that is none' => [
            ['header' => ['start' => [['field' => 'weather']]]],
            'A header or footer holds at most 12 pieces at each of its three places, of at most 200 characters.',
        ];
    }

    /** @param array<string, mixed> $changed */
    #[DataProvider('senseless')]
    public function testIsRefusedInASentence(array $changed, string $sentence): void
    {
        $this->expectException(InvalidPageSetup::class);
        $this->expectExceptionMessage($sentence);
        PageSetup::fromJson([...(new PageSetup())->toJson(), ...$changed]);
    }

    /** @return array<string, mixed> */
    private static function margins(mixed ...$widths): array
    {
        return array_combine(['top', 'bottom', 'inner', 'outer'], $widths);
    }

    public function testWhatIsNotNamedStaysInAChange(): void
    {
        $setup = new PageSetup(isTwoSided: true, bodyFrom: 'n00000000001', restarts: ['n00000000002' => 7]);
        $changed = $setup
            ->changedBy(['margins' => ['top' => 30]])
            ->changedBy(['margins' => ['inner' => 31.5], 'titleLines' => ['A draft']])
            ->changedBy(['restarts' => ['n00000000003' => 1]])
            ->changedBy(['restarts' => ['n00000000002' => null], 'bodyFrom' => null]);
        self::assertEquals(
            new PageSetup(
                margins: new Margins(30, 25, 31.5, 25),
                isTwoSided: true,
                titleLines: ['A draft'],
                restarts: ['n00000000003' => 1],
            ),
            $changed,
        );
        self::assertSame([], $changed->changedBy(['titleLines' => []])->titleLines, 'lists are taken whole');
        self::assertEquals(
            new RunningLine([RunningField::Title], [], ['Draft']),
            $changed->changedBy(['evenHeader' => ['end' => ['Draft']]])->evenHeader(),
            'the rest of a header is what is printed there',
        );
        self::assertTrue(
            $changed
                ->changedBy(['footer' => ['middle' => []]])
                ->rightFooter()
                ->isEmpty(),
        );
    }

    /**
     * After the examples of RFC 7396, appendix A (from memory).
     *
     * @param array<string, mixed> $change
     * @param list<string>         $lines
     */
    #[TestWith([['titleLines' => ['b']], ['b']])]
    #[TestWith([['titleLines' => null], []])]
    #[TestWith([['houseStyle' => 'c'], ['a']])]
    public function testAChangeIsAJsonMergePatch(array $change, array $lines): void
    {
        self::assertSame($lines, (new PageSetup(titleLines: ['a']))->changedBy($change)->titleLines);
    }

    public function testMarginsKeptAsAListAreRead(): void
    {
        $json = [...(new PageSetup())->toJson(), 'margins' => [20.5, 21, 22, 23]];
        self::assertEquals(new Margins(20.5, 21, 22, 23), PageSetup::fromJson($json)->margins);
    }

    public function testRoomAtItsEdgesIsTaken(): void
    {
        $setup = new PageSetup(Paper::A5, new Margins(5, 80, 54, 54));
        self::assertEquals($setup, PageSetup::fromJson($setup->toJson()));
        $numbered = new PageSetup(restarts: ['n00000000001' => 9999, 'n00000000002' => 1]);
        self::assertEquals(
            $numbered->restarts,
            PageSetup::fromJson([...$numbered->toJson(), 'restarts' => $numbered->restarts])->restarts,
        );
    }

    public function testADocumentHasThePagesOfItsLookUntilItHasItsOwn(): void
    {
        $document = Services::formats()->read('a.md', "# One\n")->document;
        self::assertSame(Paper::A5, $document->setup->pages()->paper);
        $report = (new UseHouseStyle('report'))->applyTo($document);
        self::assertInstanceOf(Applied::class, $report);
        self::assertSame('Chose the look “Report”', (new UseHouseStyle('report'))->describe($document));
        self::assertSame(Paper::A4, $report->document->setup->pages()->paper);
        $set = (new SetUpPages(['paper' => 'b5']))->applyTo($report->document);
        self::assertInstanceOf(Applied::class, $set);
        $set = $set->document;
        self::assertEquals(
            $report->document->setup->pages()->changedBy(['paper' => 'b5']),
            $set->setup->pages(),
            'the rest stays as the look has it',
        );
        self::assertEquals($set->setup, Setup::fromJson($set->setup->toJson()));
        $back = (new SetUpPages(null))->applyTo($set);
        self::assertInstanceOf(Applied::class, $back);
        self::assertEquals($report->document->setup, $back->document->setup);
        $refused = (new SetUpPages(['margins' => ['top' => 4]]))->applyTo($set);
        self::assertInstanceOf(Refused::class, $refused);
        self::assertSame('Each margin must be from 5 to 80 millimetres.', $refused->sentence);
        $unknown = (new UseHouseStyle('nobody’s'))->applyTo($document);
        self::assertInstanceOf(Refused::class, $unknown);
        self::assertSame('There is no house style “nobody’s”.', $unknown->sentence);
    }
}
