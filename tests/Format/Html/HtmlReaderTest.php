<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Html;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document;
use Stemmata\Format\FormatException;
use Stemmata\Tests\Support\Services;

final class HtmlReaderTest extends TestCase
{
    public function testHeadingsInContainersAndByRole(): void
    {
        $document = $this->read('<main><section><h1>One</h1><div><p>text</p><h3>Three</h3></div></section><div role="heading" aria-level="8">Eight</div></main>');

        self::assertSame(['1 One', '3 Three', '8 Eight'], $this->outline($document));
        self::assertSame('text', $document->sectionAt(0)->body->plainText());
    }

    public function testAHeadingInAQuotationIsNoHeadingOfTheDocument(): void
    {
        $document = $this->read('<h1>One</h1><blockquote><h2>Said</h2><p>so</p></blockquote>');

        self::assertSame(['1 One'], $this->outline($document));
        self::assertSame("Said\nso", $document->sectionAt(0)->body->plainText());
    }

    /** @return iterable<string, array{string}> */
    public static function hostile(): iterable
    {
        yield 'a script' => ['<h1>A</h1><script>alert(1)</script><p>safe</p>'];
        yield 'an event' => ['<h1>A</h1><p onclick="alert(1)">safe</p>'];
        yield 'a link that runs' => ['<h1>A</h1><p><a href="javascript:alert(1)">safe</a></p>'];
        yield 'a style and a frame' => ['<h1>A</h1><style>x{}</style><iframe src="http://example.org"></iframe><p>safe</p>'];
        yield 'a picture that runs' => ['<h1>A</h1><p>safe<svg onload="alert(1)"><script>x</script></svg></p>'];
        yield 'unclosed tags' => ['<h1>A</h1><p>safe<em><b><i>'];
    }

    #[DataProvider('hostile')]
    public function testOnlyTheWordsAreKept(string $html): void
    {
        $document = $this->read($html);
        $written = Services::formats()->writerFor('html')->write($document);

        self::assertSame('safe', trim($document->sectionAt(0)->body->plainText()));
        self::assertDoesNotMatchRegularExpression('/<script|onclick|onload|javascript:|<iframe/i', $written);
    }

    public function testWordsTenThousandQuotationsDeepAreKept(): void
    {
        $document = $this->read(str_repeat('<blockquote>', 10_000).'deep'.str_repeat('</blockquote>', 10_000));

        self::assertSame('deep', $document->sectionAt(0)->body->plainText());
    }

    public function testLinksArriveBySlugWhenNoAnchorIsNamed(): void
    {
        $read = Services::formats()->read('x.md', "# Damp, salt and oil\n\nSee [it](#damp-salt-and-oil) and [that](#nowhere).\n");

        self::assertSame(['A link leads to a place that is nowhere in the file. (#nowhere)'], $read->report->warnings());
        self::assertStringContainsString('section:'.$read->document->outline->idAt(0)->value, json_encode($read->document->sectionAt(0)->body->toJson(), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES));
    }

    public function testNoBytesAndNoTextAreSaidInASentence(): void
    {
        foreach (['' => 'empty', "\xff\xfe" => 'UTF-8', "a\0b" => 'not text'] as $bytes => $word) {
            try {
                Services::formats()->read('x.md', (string) $bytes);
                self::fail('It was read.');
            } catch (FormatException $refused) {
                self::assertStringContainsString($word, $refused->getMessage());
            }
        }
    }

    private function read(string $html): Document
    {
        return Services::formats()->read('x.html', $html)->document;
    }

    /** @return list<string> */
    private function outline(Document $document): array
    {
        $lines = [];
        foreach ($document->sections() as $position => $section) {
            $lines[] = $document->outline->levelAt($position)->value.' '.$section->heading->plainText();
        }

        return $lines;
    }
}
