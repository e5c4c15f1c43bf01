<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\ReadForm;
use Stemmata\Tests\Support\Services;

/** What is written and read again is the same document: outline, words, marks, bookmarks, and where each link leads. */
final class RoundTripTest extends TestCase
{
    #[TestWith(['md'])]
    #[TestWith(['html'])]
    #[TestWith(['docx'])]
    public function testRandomDocumentsComeBackAsTheyWere(string $ending): void
    {
        $formats = Services::formats();
        for ($seed = 1, $count = Dose::of(300, 100); $seed <= $count; ++$seed) {
            $document = (new RandomDocuments(new Randomizer(new Mt19937($seed)), new CountingIds()))->document();
            $written = $formats->written($ending, $document);
            $again = $formats->read('x.' . $ending, $written)->document;
            self::assertSame(ReadForm::of($document), ReadForm::of($again), sprintf("seed %d\n%s", $seed, $written));
        }
    }

    #[TestWith(['md'])]
    #[TestWith(['html'])]
    #[TestWith(['docx'])]
    public function testEveryKindOfBlockAndInlineComesBack(string $ending): void
    {
        $formats = Services::formats();
        $document = $formats->read('all.html', (string) file_get_contents(__DIR__ . '/all-kinds.html'))->document;
        $again = $formats->read('x.' . $ending, $formats->written($ending, $document))->document;

        self::assertSame(ReadForm::of($document), ReadForm::of($again));
    }

    #[TestWith(['md'])]
    #[TestWith(['html'])]
    #[TestWith(['docx'])]
    public function testWhatADocumentSaysOfItselfComesBack(string $ending): void
    {
        $formats = Services::formats();
        $said = new TitleBlock('Lamps & oil', 'A “report”', 'Ines Corvale', language: 'de-AT', date: 'März 2026');
        $document = $formats->read('x.md', "# One\n\nWords.\n")->document->withTitleBlock($said);
        $again = $formats->read('x.' . $ending, $formats->written($ending, $document))->document;

        self::assertEquals($said, $again->titleBlock);
        self::assertSame(1, $again->outline->count(), 'nothing of it is in the text');
    }

    #[TestWith(['md'])]
    #[TestWith(['html'])]
    #[TestWith(['docx'])]
    public function testContentsSurviveInTheOtherFormat(string $ending): void
    {
        $formats = Services::formats();
        $document = $formats->read('x.md', "Words before.\n\n# One\n\n## One *and* a half\n\n# Two | three\n")
            ->document;
        $made = (new OperationReader(new CountingIds()))
            ->read([
                'name' => 'generate-contents',
                'section' => $document->outline->idAt(0)->value,
                'from' => 1,
                'to' => 2,
                'title' => 'What is here',
            ])
            ->applyTo($document);
        self::assertInstanceOf(Applied::class, $made);
        $again = $formats->read('x.' . $ending, $formats->written($ending, $made->document))->document;

        self::assertSame(['One', 'One and a half', 'Two | three'], $this->contentsHeadings($again));
        self::assertSame(ReadForm::of($made->document), ReadForm::of($again));
    }

    /** @return list<mixed> */
    private function contentsHeadings(Document $document): array
    {
        $contents = $document->sectionAt(0)->body->blocks[1];
        $lines = $contents->attribute('lines');
        self::assertIsArray($lines);

        return array_column($lines, 'heading');
    }
}
