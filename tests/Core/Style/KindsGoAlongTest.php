<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Style;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Between\InsertDocument;
use Stemmata\Core\Operation\Between\PasteDocument;
use Stemmata\Core\Operation\Between\TakeBranches;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;

/** Texts name their kinds; wherever texts go, what the kinds are goes with them. */
final class KindsGoAlongTest extends TestCase
{
    public function testWithBranchesAndDocumentsAndWhatIsPasted(): void
    {
        $other = self::other();
        $here = Sketch::document('1 here');
        $ids = new CountingIds(500);
        foreach (
            [
                new TakeBranches($other, [$other->outline->idAt(0)], Landing::After, Sketch::id('here'), $ids),
                new InsertDocument($other, Landing::After, Sketch::id('here'), $ids),
                new PasteDocument(Sketch::id('here'), 0, 0, $other),
            ]
            as $operation
        ) {
            $sheet = self::done($operation, $here)->setup->sheet();
            self::assertSame(['epigraph', 'motto', 'ship'], array_keys($sheet->own()), $operation::class);
            self::assertSame('italic', $sheet->definition('motto')->said['slant'] ?? '');
            self::assertSame('Ship’s name', $sheet->definition('ship')->label);
        }
        // What is here keeps its look, whatever it is elsewhere; and what brings no kinds changes no sheet.
        $own = StyleSheet::fromJson(['name' => 'x', 'kinds' => ['ship' => ['label' => 'Vessel', 'of' => 'words']]]);
        $kept = self::done(
            new InsertDocument($other, Landing::After, Sketch::id('here'), $ids),
            $here->withSetup($here->setup->withSheet($own)),
        );
        self::assertSame('Vessel', $kept->setup->sheet()->definition('ship')->label);
        self::assertNull(
            self::done(new InsertDocument(Sketch::document('1 a'), Landing::After, Sketch::id('here'), $ids), $here)
                ->setup->sheet,
        );
    }

    /** What a file calls kinds is anyone’s; what comes of it can be kept and read again. */
    public function testAFileWithTooManyKindsOrNamelessOnesIsReadAndReadAgain(): void
    {
        $html = '<h1>Many</h1>';
        for ($number = 0; $number < 400; ++$number) {
            $html .= "<p class=\"kind-k{$number}\">Words of kind {$number}.</p>";
        }
        $document = Services::formats()->read('many.html', $html)->document;
        self::assertCount(200, $document->setup->sheet()->own());
        self::assertEquals($document->setup, Setup::fromJson($document->setup->toJson()));
        self::assertStringContainsString('kind-k399', self::html($document));

        $styles =
            '<w:style w:type="paragraph" w:styleId="Kind-verse"><w:name w:val="  "/></w:style><w:style w:type="paragraph" w:styleId="Kind-long"><w:name w:val="' .
            str_repeat('é', 90) .
            '"/></w:style>';
        $paragraph = static fn(string $kind): string => '<w:p><w:pPr><w:pStyle w:val="Kind-' .
            $kind .
            '"/></w:pPr><w:r><w:t>Of a kind</w:t></w:r></w:p>';
        $document = Services::formats()->read('x.docx', Packed::docx($paragraph('verse') . $paragraph('long'), $styles))
            ->document;
        self::assertSame('Verse', $document->setup->sheet()->definition('verse')->label);
        self::assertSame(60, mb_strlen((string) $document->setup->sheet()->definition('long')->label));
        self::assertEquals($document->setup, Setup::fromJson($document->setup->toJson()));
    }

    public function testToRestOnWhatOneRestsOnAnywayIsToSayNothing(): void
    {
        $sheet = new StyleSheet('x');
        self::assertEquals($sheet, $sheet->shaped('heading-3', ['restsOn' => 'body']));
        self::assertEquals(
            $sheet,
            $sheet->shaped('heading-3', ['restsOn' => 'heading-2'])->shaped('heading-3', ['restsOn' => 'body']),
        );
        self::assertEquals($sheet, $sheet->shaped('list-item-3', ['restsOn' => 'list-item-2']));
    }

    private static function other(): Document
    {
        $read = Services::formats()->read(
            'other.html',
            '<h1>Other</h1><p class="kind-motto">Of a kind, about the <span class="kind-ship">Fidelity</span>.</p>',
        )->document;
        $sheet = StyleSheet::fromJson([
            'name' => 'Other',
            'kinds' => [
                'epigraph' => ['label' => 'Epigraph'],
                'motto' => ['label' => 'Motto', 'restsOn' => 'epigraph', 'slant' => 'italic'],
                'ship' => ['label' => 'Ship’s name', 'of' => 'words'],
                'unused' => ['label' => 'Unused'],
            ],
        ]);

        return $read->withSetup($read->setup->withSheet($sheet));
    }

    private static function done(Operation $operation, Document $document): Document
    {
        $outcome = $operation->applyTo($document);
        self::assertInstanceOf(Applied::class, $outcome);

        return $outcome->document;
    }

    private static function html(Document $document): string
    {
        return implode('', [...Services::formats()->writerFor('html')->write(Rendition::of($document))]);
    }
}
