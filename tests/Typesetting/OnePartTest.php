<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Tests\Support\PrintedPages;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\TemporaryFolder;
use Stemmata\Typesetting\Engine\Engine;
use Stemmata\Typesetting\Engine\OneShotEngine;
use Stemmata\Typesetting\Engine\ServiceEngine;
use Stemmata\Typesetting\PdfStandard;
use Stemmata\Typesetting\Sources;
use Stemmata\Typesetting\Typeset;
use Stemmata\Typesetting\Typesetter;
use Symfony\Component\Process\Process;

/** One part that the engine cannot take keeps no document from its pages (decision 20): it is set more simply, and told. */
final class OnePartTest extends TestCase
{
    /** @return iterable<string, array{string, bool}> a drawing, and whether it can be drawn */
    public static function drawings(): iterable
    {
        $drawing = static fn(string $parts, int $size = 100): string => sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%d" height="%1$d">%s</svg>',
            $size,
            $parts,
        );
        $blurred = static fn(int $by, int $room): string => sprintf(
            '<filter id="f" x="-%d" y="-%1$d" width="%d" height="%2$d"><feGaussianBlur stdDeviation="%d"/></filter><rect filter="url(#f)" width="%d" height="%4$d"/>',
            $room,
            $room * 5,
            $by,
            $by * 10,
        );
        yield 'a small filter' => [$drawing($blurred(2, 1)), true];
        yield 'groups in a row' => [$drawing(str_repeat('<g><rect width="5" height="5"/></g>', 20_000)), true];
        yield 'groups in groups' => [$drawing(str_repeat('<g>', 50_000) . str_repeat('</g>', 50_000)), false];
        yield 'a huge filter' => [$drawing($blurred(500, 1000), 20_000), false];
        yield 'no drawing' => ['<svg xmlns="http://www.w3.org/2000/svg"><rect', false];
    }

    #[DataProvider('drawings')]
    public function testADrawing(string $drawing, bool $isDrawn): void
    {
        $document = Services::formats()->read(
            'x.html',
            '<h1>Coast</h1><p>Before.</p><p><img alt="a" src="data:image/svg+xml;base64,' .
                base64_encode($drawing) .
                '"></p><h1>Log</h1><p>Behind.</p>',
        )->document;
        $typeset = (new Typesetter(new OneShotEngine()))->typeset($document, 'x', standard: PdfStandard::Tagged);

        self::assertSame($isDrawn ? [] : [['picture-left-blank', 0]], self::told($typeset));
        $words = implode(' ', PrintedPages::of($typeset->pdf)->texts());
        self::assertStringContainsString('Before.', $words);
        self::assertStringContainsString('Behind.', $words);
    }

    public function testALetterUnderMoreMarksThanAnyTextNeeds(): void
    {
        $text = "# Coast\n\nBefore.\n\na" . str_repeat("\u{301}", 50_000) . " behind.\n";
        $document = Services::formats()->read('x.md', $text)->document;
        $typeset = (new Typesetter(new OneShotEngine()))->typeset($document, 'x', standard: PdfStandard::Tagged);

        self::assertSame([], $typeset->findings);
        self::assertStringContainsString('behind.', implode(' ', PrintedPages::of($typeset->pdf)->texts()));
    }

    public function testPlainWordsAreAllTheWordsThereAre(): void
    {
        $document = Services::formats()->read(
            'x.md',
            '# Log' .
                "\n\nSee <a class=\"cross-reference\" data-shows=\"heading\" href=\"#gales\">Gales</a>, noted[^1]." .
                str_repeat(' Lit at dusk.', 6000) .
                "\n\n| Station |\n| --- |\n| Thole |\n\n```\nthe code\n```\n\n> quoted\n\n# Gales {#gales}\n\n[^1]: The note.\n",
        )->document;
        [$source] = (new Sources($document, 1))->section(0);

        foreach (['See Gales, noted', 'The note.', 'Station', 'Thole', 'the code', 'quoted'] as $words) {
            self::assertStringContainsString($words, $source);
        }
    }

    public function testASectionThatTakesTooLongIsPrintedAsPlainWordsUntilItIsGone(): void
    {
        $data = TemporaryFolder::made();
        $engine = new ServiceEngine($data, true);
        $engine->restart();
        $sockets = glob($data . '/typesetting/version-*') ?: [];
        self::assertCount(1, $sockets);
        $engine->stop();
        $service = new Process(
            ['node', dirname(__DIR__, 2) . '/src/Typesetting/Engine/service.mjs', basename($sockets[0]), '8'],
            $data . '/typesetting',
            timeout: null,
        );
        $service->start();
        try {
            for ($try = 0; $try < 200 && !file_exists($sockets[0]); ++$try) {
                usleep(50_000);
            }
            [$long, $short] = array_map(
                static fn(int $rows, int $columns): Document => Services::formats()->read(
                    'x.html',
                    '<h1>Coast</h1><p>Before.</p><h1>Log</h1><table>' .
                        str_repeat('<tr>' . str_repeat('<td>lamp</td>', $columns) . '</tr>', $rows) .
                        '<tr><td>the very last</td></tr></table><h1>Gales</h1><ul><li>behind</li></ul>',
                )->document,
                [1000, 1],
                [50, 1],
            );
            $asked = 0;
            $typesetter = new Typesetter(self::counting($engine, $asked));
            $revisions = static fn(Document $document): array => array_fill_keys(
                array_map(static fn($id): string => $id->value, $document->outline->ids()),
                1,
            );
            $set = static fn(Document $document): Typeset => $typesetter->typeset(
                $document,
                'x',
                $revisions($document),
                PdfStandard::Tagged,
                staysWarm: true,
            );
            $typeset = $set($long);
            self::assertSame([['plain-words-only', 1]], self::told($typeset));
            $words = implode(' ', PrintedPages::of($typeset->pdf)->texts());
            foreach (['Before.', 'Log', 'the very last', 'Gales', 'behind'] as $each) {
                self::assertStringContainsString($each, $words);
            }
            $began = microtime(true);
            self::assertSame([['plain-words-only', 1]], self::told($set($long)));
            self::assertLessThan(8, microtime(true) - $began, 'it is not tried again as it was');

            $asked = 0;
            self::assertSame([], self::told($set($short)), 'what took too long is gone');
            self::assertGreaterThan(1, $asked);
        } finally {
            $engine->stop();
            $service->stop(0);
        }
    }

    /** @return list<array{string, int}> */
    private static function told(Typeset $typeset): array
    {
        return array_map(static fn($finding): array => [$finding->rule, $finding->position], $typeset->findings);
    }

    private static function counting(Engine $engine, int &$asked): Engine
    {
        return new class ($engine, $asked) implements Engine {
            public function __construct(private Engine $engine, private int &$asked) {}

            public function exchange(array $request, ?float $patience = null): array
            {
                ++$this->asked;

                return $this->engine->exchange($request, $patience);
            }
        };
    }
}
