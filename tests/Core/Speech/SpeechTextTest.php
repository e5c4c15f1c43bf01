<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Speech;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Speech\SpeechText;
use Stemmata\Core\Speech\Utterance;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Utf16;
use Stemmata\Tests\Support\Services;

final class SpeechTextTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>}> */
    public static function texts(): iterable
    {
        yield 'a heading with its number' => [
            "# Coast\n\n## Vane\n\nIt turned.\n",
            ['1. Coast', '1.1. Vane', 'It turned.'],
        ];
        yield 'a link by its words' => [
            "# A\n\nSee [the log](https://example.org/log.html) and <https://example.org/a?b=c>, or ask keeper@example.org.\n",
            ['1. A', 'See the log and , or ask .'],
        ];
        yield 'a note after its sentence' => [
            "# A\n\nThe lamp[^a] was lit. It burned.\n\n[^a]: Of brass.\n",
            ['1. A', 'The lamp was lit. Of brass. It burned.'],
        ];
        yield 'a note behind the full stop' => [
            "# A\n\nIt was lit.[^a] It burned.\n\n[^a]: In *June*.\n",
            ['1. A', 'It was lit. In June. It burned.'],
        ];
        yield 'a note where no sentence ends' => [
            "# A\n\n- the lamp[^a]\n- the vane\n\n[^a]: Of brass.\n",
            ['1. A', 'the lamp Of brass.', 'the vane'],
        ];
        yield 'a picture by its alternative text' => [
            "# A\n\n<figure><img src=\"data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mNk+A8AAQUBAScY42YAAAAASUVORK5CYII=\" alt=\"A mole in the sea\"><figcaption>The mole</figcaption></figure>\n",
            ['1. A', 'Figure 1. The mole. A mole in the sea'],
        ];
        yield 'a file name is no description' => [
            "# A\n\n<figure><img src=\"data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mNk+A8AAQUBAScY42YAAAAASUVORK5CYII=\" alt=\"IMG_0042.png\"><figcaption>The mole</figcaption></figure>\n",
            ['1. A', 'Figure 1. The mole'],
        ];
        yield 'a table row by row' => [
            "# A\n\n| Hour | hPa |\n|---|---|\n| 6 | 1013 |\n| 9 | |\n",
            ['1. A', 'Hour, hPa', '6, 1013', '9'],
        ];
        yield 'formulas, in the line and by themselves' => [
            "# A\n\nLet \$x\$ be so:\n\n\$\$\ny = 2\n\$\$\n",
            ['1. A', 'Let x be so:', 'y = 2'],
        ];
        yield 'a picture in the line' => [
            "# A\n\nThe ![blue lamp](data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mNk+A8AAQUBAScY42YAAAAASUVORK5CYII=) burned.\n",
            ['1. A', 'The blue lamp burned.'],
        ];
        yield 'separators and signs are silent' => ["# A\n\nOne.\n\n---\n\n* * *\n\nTwo.\n", ['1. A', 'One.', 'Two.']];
    }

    /** @param list<string> $said */
    #[DataProvider('texts')]
    public function testWhatIsSaid(string $markdown, array $said): void
    {
        self::assertSame($said, array_column(self::said($markdown), 'words'));
    }

    public function testNotesCanBeLeftOut(): void
    {
        self::assertSame(
            ['1. A', 'The lamp was lit.'],
            array_column(self::said("# A\n\nThe lamp[^a] was lit.\n\n[^a]: Of brass.\n", false), 'words'),
        );
    }

    /** By these the screen marks the word that is spoken. */
    public function testEveryStretchIsWhatStandsThereInTheText(): void
    {
        $checked = 0;
        foreach (self::sections(self::demo()) as [$rendition, $rendered]) {
            foreach (SpeechText::of($rendition, $rendered, true) as $utterance) {
                $content = $utterance->isInHeading ? $rendered->heading : $rendered->blocks;
                foreach ($utterance->stretches as [$in, $at, $length]) {
                    self::assertSame(
                        Utf16::slice($utterance->words, $in, $in + $length),
                        Node::plainTextOf(Node::cut($content, $at, $at + $length)),
                    );
                    ++$checked;
                }
            }
        }
        self::assertGreaterThan(300, $checked);
    }

    public function testTheDemoIsSaidWithoutAddressesAndFileNames(): void
    {
        $said = '';
        foreach (self::sections(self::demo()) as [$rendition, $rendered]) {
            $said .= implode("\n", array_column(SpeechText::of($rendition, $rendered, true), 'words')) . "\n";
        }

        self::assertGreaterThan(40_000, strlen($said));
        self::assertDoesNotMatchRegularExpression(
            '~https?:|www\.|mailto:|\w@\w|\.(?:svg|png|jpe?g|html?|md|pdf)\b|data:image|#sec~i',
            $said,
        );
        self::assertStringContainsString('3.2. Reading the barometer', $said);
    }

    /** @return list<Utterance> */
    private static function said(string $markdown, bool $withNotes = true): array
    {
        $said = [];
        foreach (self::sections(Services::formats()->read('x.md', $markdown)->document) as [$rendition, $rendered]) {
            array_push($said, ...SpeechText::of($rendition, $rendered, $withNotes));
        }

        return $said;
    }

    private static function demo(): Document
    {
        $folder = __DIR__ . '/../../../demo/';

        return Services::formats()->read('demo.md', (string) file_get_contents($folder . 'the-keepers-weather.md'))
            ->document;
    }

    /** @return iterable<array{Rendition, \Stemmata\Core\Rendition\RenderedSection}> */
    private static function sections(Document $document): iterable
    {
        $rendition = Rendition::of($document);
        foreach ($rendition->sections() as $rendered) {
            yield [$rendition, $rendered];
        }
    }
}
