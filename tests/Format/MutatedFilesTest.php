<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use Doctrine\DBAL\DriverManager;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Text\ReplaceBody;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Formats;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Storage\File\StoredFiles;
use Stemmata\Storage\History\ChangeForm;
use Stemmata\Storage\Section\KnownTexts;
use Stemmata\Storage\Section\SectionForm;
use Stemmata\Storage\Section\SectionRows;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\MutatedFiles;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;

/**
 * Whatever a file holds, it is refused in words, or becomes a document that can be stored, opened, edited in each
 * section,
 * undone, written to files and read again. STEMMATA_MUTANTS sets how many files, STEMMATA_SEED from which number on.
 */
final class MutatedFilesTest extends TestCase
{
    public function testEachIsRefusedInWordsOrIsASoundDocument(): void
    {
        $formats = Services::formats();
        $originals = self::originals($formats);
        $first = (int) (getenv('STEMMATA_SEED') ?: 1);
        $count = (int) (getenv('STEMMATA_MUTANTS') ?: 250);
        $read = 0;
        for ($number = $first; $number < $first + $count; ++$number) {
            [$name, $bytes] = (new MutatedFiles($number))->file($originals);
            try {
                $document = $formats->read($name, $bytes)->document;
                ++$read;
                $this->assertSound($formats, $document);
            } catch (FormatException $refused) {
                self::assertMatchesRegularExpression('/\A.{10,200}[.]\z/s', $refused->getMessage());
            } catch (\Throwable $error) {
                file_put_contents(sys_get_temp_dir() . '/stemmata-mutant-' . $number . '-' . $name, $bytes);
                self::fail(
                    sprintf(
                        "File %d (%s): %s: %s\n%s",
                        $number,
                        $name,
                        $error::class,
                        $error->getMessage(),
                        $error->getTraceAsString(),
                    ),
                );
            }
        }
        self::assertGreaterThan($count / 2, $read, 'most were read');
        fwrite(\STDERR, sprintf("\nMutated files: %d read, %d refused in words\n", $read, $count - $read));
    }

    private function assertSound(Formats $formats, Document $document): void
    {
        $connection = DriverManager::getConnection(['driver' => 'pdo_sqlite', 'memory' => true]);
        $rows = new SectionRows($connection, new WordCount(), new KnownTexts(), new StoredFiles($connection));
        $typed = Body::of([Node::paragraph([Node::text('typed')])]);
        $edited = $document;
        foreach ($document->sections() as $section) {
            $row = $rows->row(null, $section);
            self::assertNotNull($row['text']);
            self::assertEquals(
                $section->body->toJson(),
                SectionForm::readBody($row['text']['body'])->toJson(),
                'what is stored is what was read',
            );
            self::assertNull(SectionForm::readBody($row['text']['body'])->findUnreadable());
            self::assertEquals(
                $section->heading->toJson(),
                SectionForm::readHeading($row['text']['heading'], $row['text']['heading_inline'])->toJson(),
            );
            $outcome = (new ReplaceBody($section->id, $typed))->applyTo($edited);
            self::assertInstanceOf(Applied::class, $outcome);
            $edited = $outcome->document;
        }
        $change = ChangeForm::read(ChangeForm::write(Change::between($document, $edited)));
        $undone = $edited->changedBy($change->inverted());
        self::assertTrue(Change::between($document, $undone)->isEmpty(), 'undoing the edits leaves nothing of them');
        foreach (['md', 'html', 'docx'] as $ending) {
            $written = $formats->written($ending, $document);
            self::assertTrue('docx' === $ending || mb_check_encoding($written, 'UTF-8'));
            try {
                $again = $formats->readAsIs('x.' . $ending, $written)->document;
                self::assertSame(ltrim($document->outline->levels, '0'), ltrim($again->outline->levels, '0'), $ending);
            } catch (FormatException $refused) {
                self::assertSame('The file is empty.', $refused->getMessage());
            }
        }
    }

    /** @return array<string, string> bytes by file name */
    private static function originals(Formats $formats): array
    {
        $markdown = __DIR__ . '/Foreign/source.md';
        $all = (string) file_get_contents(__DIR__ . '/all-kinds.html');
        $p = static fn(string $words, string $style = ''): string => '<w:p><w:pPr><w:pStyle w:val="' .
            $style .
            '"/></w:pPr><w:bookmarkStart w:id="1" w:name="place"/><w:r><w:t>' .
            $words .
            '</w:t></w:r></w:p>';

        return [
            'source.md' => (string) file_get_contents($markdown),
            'all.md' => $formats->written('md', $formats->read('all.html', $all)->document),
            'all.html' => $all,
            'outline.opml' =>
                '<?xml version="1.0"?><opml version="2.0"><head><title>T</title></head><body><outline text="One" _note="words&#10;more"><outline text="Two"/></outline></body></opml>',
            'plain.txt' => "CHAPTER I\n\nWords of the first.\n\n- an item\n- another\n\nCHAPTER II\n\n1. one\n2. two\n",
            'small.docx' => Packed::docx(
                $p('One', 'H1') . $p('words') . '<w:tbl><w:tr><w:tc>' . $p('cell') . '</w:tc></w:tr></w:tbl>',
                '<w:style w:type="paragraph" w:styleId="H1"><w:name w:val="heading 1"/></w:style>',
            ),
            'pandoc.docx' => Foreign::written($markdown, 'docx'),
            'pandoc.odt' => Foreign::written($markdown, 'odt'),
            'pandoc.epub' => Foreign::written($markdown, 'epub'),
            'pandoc.html' => Foreign::written($markdown, 'html'),
        ];
    }
}
