<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Text;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Text\Body;

/**
 * Splitting, joining and setting aside cut a text at any place: nothing is lost, and both sides are texts by
 * themselves.
 */
final class BodyCutTest extends TestCase
{
    /** @return iterable<string, array{list<array<string, mixed>>}> */
    public static function bodies(): iterable
    {
        $text = static fn(string $words): array => ['type' => 'text', 'text' => $words];
        $p = static fn(string $words): array => ['type' => 'paragraph', 'content' => [$text($words)]];
        $item = static fn(array ...$parts): array => ['type' => 'listItem', 'content' => $parts];
        $list = static fn(array ...$items): array => ['type' => 'bulletList', 'content' => $items];
        $row = static fn(bool $header, string ...$cells): array => [
            'type' => 'tableRow',
            'content' => array_map(
                static fn(string $words): array => [
                    'type' => 'tableCell',
                    'attrs' => ['header' => $header, 'align' => null],
                    ...'' === $words ? [] : ['content' => [$text($words)]],
                ],
                $cells,
            ),
        ];
        $note = ['type' => 'footnote', 'content' => [$text('foot')]];
        yield 'paragraphs' => [[$p('one two'), ['type' => 'paragraph'], $p('three')]];
        yield 'a quotation of two paragraphs' => [
            [$p('a'), ['type' => 'quotation', 'content' => [$p('bc'), $p('de')]], $p('f')],
        ];
        yield 'lists in lists' => [
            [$list($item($p('a'), $list($item($p('bc')), $item($p('d')))), $item($p('e'))), $list($item($p('f')))],
        ];
        yield 'an item with a quotation and code' => [
            [
                $list(
                    $item(
                        $p('a'),
                        ['type' => 'quotation', 'content' => [$p('b')]],
                        ['type' => 'codeBlock', 'attrs' => ['language' => 'php'], 'content' => [$text("c\nd")]],
                    ),
                ),
            ],
        ];
        yield 'a table with a caption' => [
            [
                [
                    'type' => 'table',
                    'content' => [
                        ['type' => 'caption', 'content' => [$text('Cap')]],
                        $row(true, 'ab', 'c'),
                        $row(false, '', 'de'),
                    ],
                ],
            ],
        ];
        yield 'a table without one, between paragraphs' => [
            [$p('a'), ['type' => 'table', 'content' => [['type' => 'caption'], $row(false, 'b')]], $p('c')],
        ];
        yield 'figures, breaks and a sum' => [
            [
                ['type' => 'figure', 'attrs' => ['src' => '', 'alt' => ''], 'content' => [$text('cap')]],
                ['type' => 'separator'],
                ['type' => 'calculation', 'content' => [$text('1+2')]],
                ['type' => 'pageBreak'],
                ['type' => 'figure', 'attrs' => ['src' => '', 'alt' => '']],
            ],
        ];
        yield 'footnotes, breaks and marks in a line' => [
            [
                [
                    'type' => 'paragraph',
                    'content' => [
                        $text('a'),
                        $note,
                        ['type' => 'text', 'text' => 'bc', 'marks' => [['type' => 'strong']]],
                        ['type' => 'hardBreak'],
                        $note,
                    ],
                ],
            ],
        ];
    }

    /** @param list<array<string, mixed>> $json */
    #[DataProvider('bodies')]
    public function testCutAnywhereBothSidesAreTextsAndTogetherTheWhole(array $json): void
    {
        $body = Body::fromJson($json);
        for ($at = 0; $at <= $body->size(); ++$at) {
            [$head, $tail] = [$body->cut(0, $at), $body->cut($at, $body->size())];
            self::assertEquals($head, Body::fromJson($head->toJson()), "before $at");
            self::assertEquals($tail, Body::fromJson($tail->toJson()), "after $at");
            self::assertSame(self::letters($body), self::letters($head) . self::letters($tail), "at $at");
        }
        self::assertEquals($body, $body->cut(0, $body->size()));
    }

    /** @param list<array<string, mixed>> $json */
    #[DataProvider('bodies')]
    public function testWhatIsTakenOutAndWhatStaysAreTogetherTheWhole(array $json): void
    {
        $body = Body::fromJson($json);
        for ($from = 0; $from <= $body->size(); ++$from) {
            for ($to = $from; $to <= $body->size(); ++$to) {
                [$taken, $rest] = [$body->cut($from, $to), $body->without($from, $to)];
                self::assertEquals($taken, Body::fromJson($taken->toJson()), "taken from $from to $to");
                self::assertEquals($rest, Body::fromJson($rest->toJson()), "left from $from to $to");
                self::assertSame(
                    self::sorted(self::letters($body)),
                    self::sorted(self::letters($taken) . self::letters($rest)),
                    "from $from to $to",
                );
            }
        }
    }

    private static function letters(Body $body): string
    {
        $letters = '';
        foreach ($body->walk() as $node) {
            $letters .= (string) preg_replace('/\s/u', '', $node->text);
        }

        return $letters;
    }

    private static function sorted(string $letters): string
    {
        $signs = str_split($letters);
        sort($signs);

        return implode('', $signs);
    }
}
