<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Core\Outline\SectionId;
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
    public function testContentsOfAnyLookComeBackWithTheirHandWork(string $ending): void
    {
        $formats = Services::formats();
        for ($seed = 1, $count = Dose::of(300, 60); $seed <= $count; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $document = self::withContents((new RandomDocuments($random, $ids))->document(), $random, $ids);
            $written = $formats->written($ending, $document);
            $again = $formats->read('x.' . $ending, $written)->document;
            self::assertSame(ReadForm::of($document), ReadForm::of($again), sprintf("seed %d\n%s", $seed, $written));
        }
    }

    /** Contents in one of the sections, with any settings, lines that are worded by hand, left out and added. */
    private static function withContents(Document $document, Randomizer $random, CountingIds $ids): Document
    {
        $among = static fn(array $values): mixed => $values[$random->getInt(0, count($values) - 1)];
        $sections = array_map(static fn(SectionId $id): string => $id->value, $document->outline->ids());
        $bookmarks = array_map(
            strval(...),
            array_merge(
                ...array_map(
                    static fn(References $each): array => array_keys($each->bookmarks),
                    $document->references(),
                ),
            ),
        );
        $holder = $among($sections);
        $place = ['section' => $holder, 'index' => 0];
        // A line that is left out has no words in a file.
        $out = $sections[$random->getInt(0, count($sections) - 1)];
        $worded = $among(array_values(array_diff([...$sections, 'none00000000'], [$out])));
        $maybe = static fn(): ?bool => 0 === $random->getInt(0, 2) ? null : true;
        $reader = new OperationReader($ids);
        foreach (
            [
                [
                    'name' => 'generate-contents',
                    'section' => $holder,
                    'from' => ($from = $random->getInt(1, 3)),
                    'to' => $random->getInt($from, 9),
                    'numbers' => $maybe(),
                    'title' => $among(['', 'Contents', 'In this “book” & that']),
                    'pages' => $among([null, 'plain', 'none']),
                    'of' => $among([null, null, 'figures', 'tables']),
                    'twoColumns' => $maybe(),
                    'shaded' => $maybe(),
                    'ownPage' => $maybe(),
                    'always' => $maybe(),
                ],
                [
                    'name' => 'set-up-contents',
                    ...$place,
                    'looks' => $among([null, ['1' => 'strong', '2' => 'italic'], ['3' => 'small', '9' => 'regular']]),
                ],
                ['name' => 'change-contents-line', ...$place, 'line' => $worded, 'words' => 'By hand <1>'],
                ['name' => 'change-contents-line', ...$place, 'line' => $out, 'out' => true],
                [
                    'name' => 'add-contents-line',
                    ...$place,
                    'bookmark' => $among([...$bookmarks, 'mark00000000']),
                    'words' => 'Added',
                    'level' => $random->getInt(1, 9),
                ],
                ['name' => 'refresh-contents', ...$place],
            ]
            as $operation
        ) {
            $done = $reader->read($operation)->applyTo($document);
            $document = $done instanceof Applied ? $done->document : $document;
        }

        return $document;
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
