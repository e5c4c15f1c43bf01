<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Html;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Tests\Support\Services;

final class HtmlReaderTest extends TestCase
{
    public function testHeadingsInContainersAndByRole(): void
    {
        $document = $this->read(
            '<main><section><h1>One</h1><div><p>text</p><h3>Three</h3></div></section><div role="heading" aria-level="8">Eight</div></main>',
        );

        self::assertSame(['1 One', '3 Three', '8 Eight'], $this->outline($document));
        self::assertSame('text', $document->sectionAt(0)->body->plainText());
    }

    public function testAHeadingInAQuotationIsNoHeadingOfTheDocument(): void
    {
        $document = $this->read('<h1>One</h1><blockquote><h2>Said</h2><p>so</p></blockquote>');

        self::assertSame(['1 One'], $this->outline($document));
        self::assertSame("Said\nso", $document->sectionAt(0)->body->plainText());
    }

    public function testWhatATitlePageShowsGoesBeforeWhatIsSaidOfIt(): void
    {
        $said = '<html><head><title>Said</title><meta name="author" content="Said of it"></head><body>';
        $shown =
            '<header id="title-block-header"><h1 class="title">Shown</h1><p class="author">Ines Thole</p>' .
            '<p class="author">Emlyn Carrow</p></header><h1>One</h1>';

        $title = $this->read($said . $shown)->titleBlock;
        self::assertSame(['Shown', 'Ines Thole, Emlyn Carrow'], [$title->title, $title->author]);
        $title = $this->read($said . '<h1>One</h1>')->titleBlock;
        self::assertSame(['Said', 'Said of it'], [$title->title, $title->author]);
    }

    public function testTheLanguageIsSaidInEitherWay(): void
    {
        $said = static fn(string $attribute): string => "<html $attribute><body><h1>One</h1></body></html>";

        self::assertSame('fr', $this->read($said('lang="fr"'))->titleBlock->language);
        self::assertSame('cy', $this->read($said('xml:lang="cy"'))->titleBlock->language);
    }

    public function testAHeadingByRoleThatLeadsToItselfIsNoLink(): void
    {
        $document = $this->read(
            '<div role="heading" aria-level="2" id="one"><a href="#one">One</a></div><p><a href="#one">text</a></p>',
        );

        self::assertSame(['2 One'], $this->outline($document));
        self::assertSame([], $document->sectionAt(0)->heading->inline[0]->marks);
    }

    public function testAHeadingThatLeadsToItselfFromDeepWithinIsNoLink(): void
    {
        $document = $this->read('<h2 id="one"><span><b><a href="#one">One</a></b></span></h2><p>text</p>');

        self::assertNull($document->sectionAt(0)->heading->inline[0]->findMark('link'));
    }

    /** @return iterable<string, array{string}> */
    public static function hostile(): iterable
    {
        yield 'a script' => ['<h1>A</h1><script>alert(1)</script><p>safe</p>'];
        yield 'an event' => ['<h1>A</h1><p onclick="alert(1)">safe</p>'];
        yield 'a link that runs' => ['<h1>A</h1><p><a href="javascript:alert(1)">safe</a></p>'];
        yield 'a style and a frame' => [
            '<h1>A</h1><style>x{}</style><iframe src="http://example.org"></iframe><p>safe</p>',
        ];
        yield 'a picture that runs' => ['<h1>A</h1><p>safe<svg onload="alert(1)"><script>x</script></svg></p>'];
        yield 'unclosed tags' => ['<h1>A</h1><p>safe<em><b><i>'];
    }

    #[DataProvider('hostile')]
    public function testOnlyTheWordsAreKept(string $html): void
    {
        $document = $this->read($html);
        $written = Services::formats()->written('html', $document);

        self::assertSame('safe', trim($document->sectionAt(0)->body->plainText()));
        self::assertDoesNotMatchRegularExpression('/<script|onclick|onload|javascript:|<iframe/i', $written);
    }

    public function testWordsTenThousandQuotationsDeepAreKept(): void
    {
        $document = $this->read(str_repeat('<blockquote>', 10_000) . 'deep' . str_repeat('</blockquote>', 10_000));

        self::assertSame('deep', $document->sectionAt(0)->body->plainText());
    }

    public function testOfTwoHeadingsOfTheSameWordsTheFirstIsMeant(): void
    {
        $document = Services::formats()->readAsIs(
            'x.html',
            '<h1>Gaps</h1><p>a</p><h1>Gaps</h1><p><a href="#gaps">there</a></p>',
        )->document;

        self::assertSame(
            'section:' . $document->outline->idAt(0)->value,
            $document->sectionAt(1)->body->blocks[0]->content[0]->findMark('link')?->attribute('href'),
        );
    }

    public function testLinksArriveBySlugWhenNoAnchorIsNamed(): void
    {
        $read = Services::formats()->read(
            'x.md',
            "# Damp, salt and oil\n\nSee [it](#damp-salt-and-oil) and [that](#nowhere).\n",
        );

        self::assertSame(
            ['A link leads to a place that is nowhere in the file. (#nowhere)'],
            $read->report->warnings(),
        );
        self::assertStringContainsString(
            'section:' . $read->document->outline->idAt(0)->value,
            json_encode($read->document->sectionAt(0)->body->toJson(), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_SLASHES),
        );
    }

    /**
     * @return iterable<string, array{string, bool}> the bytes of a page that says “Gefühl”,
     *     and whether its letters had to be guessed
     */
    public static function encodings(): iterable
    {
        $page = static fn(string $head): string => $head . '<h1>Gefühl</h1>';
        yield 'UTF-8' => [$page(''), false];
        yield 'UTF-8 with its mark' => ["\u{FEFF}" . $page(''), false];
        yield 'UTF-16, little end first' => ["\xFF\xFE" . mb_convert_encoding($page(''), 'UTF-16LE', 'UTF-8'), false];
        yield 'UTF-16, big end first' => ["\xFE\xFF" . mb_convert_encoding($page(''), 'UTF-16BE', 'UTF-8'), false];
        yield 'Latin-1, declared' => [
            mb_convert_encoding($page('<meta charset="iso-8859-1">'), 'Windows-1252', 'UTF-8'),
            false,
        ];
        yield 'Latin-9, declared in the long way' => [
            mb_convert_encoding(
                $page('<meta http-equiv="Content-Type" content="text/html; charset=ISO-8859-15">'),
                'ISO-8859-15',
                'UTF-8',
            ),
            false,
        ];
        yield 'Central European letters, declared' => [
            (string) iconv('UTF-8', 'WINDOWS-1250', $page("<meta charset='windows-1250'>")),
            false,
        ];
        yield 'UTF-8, wrongly declared' => [$page('<meta charset="iso-8859-1">'), false];
        yield 'a way to write bytes, which is no encoding of letters' => [
            mb_convert_encoding($page('<meta charset="base64">'), 'Windows-1252', 'UTF-8'),
            true,
        ];
        yield 'nothing declared' => [mb_convert_encoding($page(''), 'Windows-1252', 'UTF-8'), true];
        yield 'something declared that nobody knows' => [
            mb_convert_encoding($page('<meta charset="x-lamp">'), 'Windows-1252', 'UTF-8'),
            true,
        ];
    }

    /** The order in which browsers look for it: HTML Living Standard, 13.2.3.2. */
    #[DataProvider('encodings')]
    public function testLettersAreReadAsTheyWereEncoded(string $bytes, bool $isGuessed): void
    {
        $read = Services::formats()->read('x.html', $bytes);

        self::assertSame(['1 Gefühl'], $this->outline($read->document));
        self::assertSame(
            $isGuessed,
            in_array(
                'The file does not say how its letters are encoded; it was read as Windows-1252.',
                $read->report->warnings(),
                true,
            ),
        );
    }

    public function testLooksAreKeptAsEvidence(): void
    {
        $looks = static fn(string $html): mixed => Services::formats()
            ->read('x.html', $html)
            ->document->sectionAt(0)
            ->body->toJson()[0]['attrs'] ?? null;

        foreach (
            ['font-size: 18pt' => 36, 'font-size:24px' => 36, 'font-size: 150%' => 36, 'font-size: 1.5em' => 36]
            as $style => $halfPoints
        ) {
            $found = $looks(
                '<p style="' .
                    $style .
                    '">Looks like one</p><p>and some text that does not look like it at all, for it is long enough.</p>',
            );
            self::assertStringContainsString(
                '"size":150',
                json_encode($found, \JSON_THROW_ON_ERROR),
                $style . ' is ' . $halfPoints . ' half points',
            );
        }
        self::assertStringContainsString(
            '"align":"center"',
            json_encode(
                $looks(
                    '<p style="text-align: center">Looks like one</p><p>and some text that does not look like it at all, for it is long enough.</p>',
                ),
                \JSON_THROW_ON_ERROR,
            ),
        );
        self::assertStringContainsString(
            '"align":"center"',
            json_encode(
                $looks(
                    '<p align="center">Looks like one</p><p>and some text that does not look like it at all, for it is long enough.</p>',
                ),
                \JSON_THROW_ON_ERROR,
            ),
        );
    }

    public function testNoBytesAndNoTextAreSaidInASentence(): void
    {
        foreach (
            ['' => 'empty', "\xff\xfe" => 'empty', "a\xff\n" => 'UTF-8', "\0\1\2\3\0\0" => 'not text']
            as $bytes => $word
        ) {
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
            $lines[] = $document->outline->levelAt($position)->value . ' ' . $section->heading->plainText();
        }

        return $lines;
    }
}
