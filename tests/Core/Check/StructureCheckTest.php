<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Check;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Check\Finding;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Tests\Support\Sketch;

final class StructureCheckTest extends TestCase
{
    /** @param list<string> $expected rule and position */
    #[TestWith(['1 a, 2 b, 3 c', []])]
    #[TestWith(['1 a, 3 b', ['skipped-level 1']])]
    #[TestWith(['2 a, 3 b', ['no-level-1 0']])]
    #[TestWith(['0 , 2 a', ['no-level-1 1']])]
    #[TestWith(['1 a, 2 b, 3 c, 4 d, 5 e, 6 f, 7 g', ['deeper-than-6 6']])]
    public function testFindings(string $outline, array $expected): void
    {
        self::assertSame($expected, self::codes(StructureCheck::of(Sketch::document($outline))));
    }

    public function testWhatALookMakesHardToReadOrLeadsAstrayIsFound(): void
    {
        $document = Sketch::document('1 a, 2 b, 3 c');
        $looks = static fn(array $kinds): array => self::codes(
            StructureCheck::of(
                $document->withSetup(
                    $document->setup->withSheet(StyleSheet::fromJson(['name' => 'Tried', 'kinds' => $kinds])),
                ),
            ),
        );

        self::assertSame([], $looks(['heading-2' => ['colour' => '#1f4e5f']]));
        self::assertSame(['deeper-looks-greater 2'], $looks(['heading-3' => ['size' => '30pt']]));
        // A level that is not there misleads nobody.
        self::assertSame([], $looks(['heading-5' => ['size' => '30pt']]));
        self::assertSame(['low-contrast 0'], $looks(['caption' => ['colour' => '#999999']]));
        // Large letters may be paler (WCAG 2.2, 1.4.3).
        self::assertSame([], $looks(['title' => ['colour' => '#8c8c8c']]));
        self::assertSame(['low-contrast 0'], $looks(['quotation' => ['colour' => '#555555', 'ground' => '#777777']]));
        self::assertSame(['small-letters 0'], $looks(['body' => ['size' => '8pt']]));
        self::assertSame(['line-length 0'], $looks(['body' => ['size' => '18pt']]));
    }

    public function testNoTitleAndAnEmptyHeading(): void
    {
        $document = Sketch::document('1 a')->withTitleBlock(new TitleBlock(' '));
        $document = $document->withSection($document->sectionAt(0)->withHeading(Heading::none()));

        self::assertSame(['no-title 0', 'empty-heading 0'], self::codes(StructureCheck::of($document)));
    }

    public function testWhatWhoeverDoesNotSeeThePageIsNotTold(): void
    {
        $picture = static fn(array $more): array => [
            'type' => 'figure',
            'attrs' => ['src' => 'https://example.org/a.png', 'alt' => '', ...$more],
        ];
        $table = static fn(int $columns, int $rows, bool $header): array => [
            'type' => 'table',
            'content' => [
                ['type' => 'caption'],
                ...array_fill(0, $rows, [
                    'type' => 'tableRow',
                    'content' => array_fill(0, $columns, [
                        'type' => 'tableCell',
                        'attrs' => ['header' => $header, 'align' => null],
                    ]),
                ]),
            ],
        ];
        $within = [
            'type' => 'paragraph',
            'content' => [['type' => 'image', 'attrs' => ['src' => 'https://example.org/a.png', 'alt' => ' ']]],
        ];
        $document = Sketch::document('1 a, 1 b, 1 c, 1 d');
        foreach (
            [
                [$picture([]), $within, $table(2, 2, false)],
                [$picture(['alt' => 'A lamp']), $picture(['decorative' => true]), $table(2, 2, true)],
                [$table(1, 9, false), $table(9, 1, false)],
                [$picture([])],
            ]
            as $position => $blocks
        ) {
            $document = $document->withSection($document->sectionAt($position)->withBody(Body::fromJson($blocks)));
        }
        $findings = StructureCheck::of($document);

        self::assertSame(['untold-picture 0', 'headless-table 0', 'untold-picture 3'], self::codes($findings));
        self::assertSame('2 pictures here have no description.', $findings[0]->message);
    }

    /** @param list<string> $expected */
    #[TestWith(['2.1 Soils', ['number-twice 0']])]
    #[TestWith(['Chapter IV: The gale', ['number-twice 0']])]
    #[TestWith(['A lamp', []])]
    #[TestWith(['1984', []])]
    public function testANumberTypedIntoANumberedHeading(string $heading, array $expected): void
    {
        $document = Sketch::document('1 a');
        $document = $document->withSection($document->sectionAt(0)->withHeading(Heading::plain($heading)));
        self::assertSame($expected, self::codes(StructureCheck::of($document)));
    }

    public function testALinkToWhatIsNotInTheDocumentIsToldWithItsWords(): void
    {
        $link = static fn(string $words, string $target): array => [
            'type' => 'text',
            'text' => $words,
            'marks' => [['type' => 'link', 'attrs' => ['href' => $target, 'title' => null]]],
        ];
        $document = Sketch::document('1 a, 1 b, 1 c');
        $document = $document->withSection(
            $document->sectionAt(1)->withBody(
                Body::fromJson([
                    [
                        'type' => 'paragraph',
                        'content' => [
                            $link('there', 'section:' . Sketch::id('c')->value),
                            $link('gone', 'section:' . Sketch::id('never')->value),
                            $link('mark', 'bookmark:bookmarkaaaa'),
                            $link('outside', 'https://example.org/'),
                            ['type' => 'bookmark', 'attrs' => ['id' => 'bookmarkaaaa', 'name' => 'mark']],
                        ],
                    ],
                ]),
            ),
        );
        self::assertSame(['broken-link 1'], self::codes(StructureCheck::of($document)));
        self::assertSame(
            ['The link “gone” leads nowhere: what it led to is not in the document.'],
            array_column(StructureCheck::of($document), 'message'),
        );
        $cut = $document->withOutline($document->outline->without(2, 3));
        self::assertSame(
            ['broken-link 1', 'broken-link 1'],
            self::codes(StructureCheck::of($cut)),
            'what lies among the offcuts is not in the document',
        );
        $without = $document->withSection($document->sectionAt(1)->withBody(Body::empty()));
        self::assertSame([], self::codes(StructureCheck::of($without)));
    }

    /**
     * @param list<Finding> $findings
     *
     * @return list<string>
     */
    private static function codes(array $findings): array
    {
        return array_map(static fn(Finding $finding): string => $finding->rule . ' ' . $finding->position, $findings);
    }
}
