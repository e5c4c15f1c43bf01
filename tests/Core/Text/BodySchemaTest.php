<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Text;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\InvalidBody;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;

final class BodySchemaTest extends TestCase
{
    /** @return iterable<string, array{string, string, list<mixed>, list<mixed>}> part, attribute, sound values, others */
    public static function values(): iterable
    {
        $line = ['section' => 'abcdefghijkl', 'level' => 9, 'number' => '1', 'heading' => 'One'];
        $letters = static fn(int $count): string => str_repeat('a', $count);

        yield 'a whole number' => ['orderedList', 'start', [0, 1, 999_999_999], [-1, 1_000_000_000, '1', 1.0, null]];
        yield 'a style of numbers' => ['orderedList', 'style', ['lowerRoman', null], ['roman', 1]];
        yield 'a level' => ['contents', 'from', [1, 9], [0, 10, -1, '1', null]];
        yield 'yes or no' => ['contents', 'numbers', [true, false], [1, 'yes', null]];
        yield 'yes alone' => ['contents', 'shaded', [true, null], [false, 1, 'yes']];
        yield 'words' => ['contents', 'title', ['', $letters(4096)], [$letters(4097), "\xFF", 7, null]];
        yield 'pages of contents' => ['contents', 'pages', ['plain', 'none', null], ['dotted', '', true]];
        yield 'what contents list' => ['contents', 'of', ['figures', 'tables', null], ['headings', '']];
        yield 'a branch' => [
            'contents',
            'branch',
            ['abcdefghijkl', null],
            ['abc', 'ABCDEFGHIJKL', '', 'abcdefghijkl ', 7],
        ];
        yield 'the looks of lines' => [
            'contents',
            'looks',
            [[1 => 'strong', 9 => 'small'], [2 => 'italic', 3 => 'regular'], null],
            [[], [0 => 'strong'], [10 => 'strong'], [1 => 'bold'], ['x' => 'strong'], 'strong'],
        ];
        yield 'lines' => [
            'contents',
            'lines',
            [
                [],
                [
                    $line,
                    ['words' => $letters(8192), 'out' => true, 'bookmark' => 'bcdefghijklm', 'caption' => 0] + $line,
                ],
            ],
            [
                null,
                'x',
                ['a' => $line],
                ['x'],
                [['section' => 'abc'] + $line],
                [['level' => 0] + $line],
                [['number' => null] + $line],
                [['heading' => $letters(8193)] + $line],
                [['words' => 7] + $line],
                [['out' => false] + $line],
                [['bookmark' => 'x'] + $line],
                [['caption' => -1] + $line],
                [$line, []],
            ],
        ];
        yield 'a width' => ['figure', 'width', [5, 100, null], [4, 101, 50.0, '50']];
        yield 'a picture' => [
            'figure',
            'src',
            ['', 'https://example.org/a.png', 'data:image/png;base64,AAAA'],
            [null, 'javascript:x', 'data:text/html,x'],
        ];
        yield 'a description' => ['figure', 'alt', ['', 'words'], [null, $letters(4097)]];
        yield 'columns' => ['tableCell', 'columns', [2, 1000, null], [1, 0, 1001, '2']];
        yield 'an alignment' => ['tableCell', 'align', ['left', 'center', 'right', null], ['justify', '', true]];
        yield 'a head' => ['tableCell', 'header', [true, false], [null, 0]];
        yield 'a language of code' => ['codeBlock', 'language', ['php', '', null], [7, $letters(4097)]];
        yield 'a formula' => [
            'formulaBlock',
            'source',
            ['x', '<math xmlns="http://www.w3.org/1998/Math/MathML"><mi>x</mi></math>'],
            [null, "\x01", '<math><script/></math>'],
        ];
        yield 'a name' => ['bookmark', 'name', ['oil', 'oil_2'], ['', 'a b', '1a', null]];
    }

    /**
     * @param list<mixed> $sound
     * @param list<mixed> $others
     */
    #[DataProvider('values')]
    public function testValuesOfAnAttribute(string $type, string $attribute, array $sound, array $others): void
    {
        foreach ($sound as $value) {
            $body = Body::fromJson(self::with($type, $attribute, $value))->toJson();
            self::assertEquals($body, Body::fromJson($body)->toJson(), json_encode($value) . ' comes back');
        }
        foreach ($others as $value) {
            try {
                Body::fromJson(self::with($type, $attribute, $value));
                self::fail(var_export($value, true) . ' was taken.');
            } catch (InvalidBody $refusal) {
                self::assertStringEndsWith('.', $refusal->getMessage());
            }
        }
    }

    /** @return list<array<string, mixed>> a body with one such part, sound but for the value */
    private static function with(string $type, string $attribute, mixed $value): array
    {
        $attributes = [
            'orderedList' => ['start' => 1],
            'contents' => ['title' => '', 'from' => 1, 'to' => 9, 'numbers' => true, 'lines' => []],
            'figure' => ['src' => '', 'alt' => ''],
            'tableCell' => ['header' => false, 'align' => null],
            'codeBlock' => ['language' => null],
            'formulaBlock' => ['source' => 'x'],
            'bookmark' => ['id' => 'abcdefghijkl', 'name' => 'a'],
        ];
        $node = ['type' => $type, 'attrs' => [$attribute => $value] + $attributes[$type]];
        $paragraph = ['type' => 'paragraph'];

        return match ($type) {
            'orderedList' => [$node + ['content' => [['type' => 'listItem', 'content' => [$paragraph]]]]],
            'tableCell' => [
                ['type' => 'table', 'content' => [['type' => 'caption'], ['type' => 'tableRow', 'content' => [$node]]]],
            ],
            'bookmark' => [$paragraph + ['content' => [$node]]],
            default => [$node],
        };
    }

    /** @return iterable<string, array{mixed}> */
    public static function hostile(): iterable
    {
        $link = static fn(string $href): array => [
            [
                'type' => 'paragraph',
                'content' => [
                    ['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'link', 'attrs' => ['href' => $href]]]],
                ],
            ],
        ];
        yield 'no list' => ['x'];
        yield 'an unknown part' => [[['type' => 'script']]];
        yield 'text outside a block' => [[['type' => 'text', 'text' => 'x']]];
        yield 'a list without items' => [[['type' => 'bulletList', 'content' => []]]];
        yield 'a link that runs' => [$link('javascript:alert(1)')];
        yield 'the same behind a blank' => [$link(" java\tscript:alert(1)")];
        yield 'data as a link' => [$link('data:text/html,x')];
        yield 'empty text' => [[['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => '']]]]];
        yield 'broken UTF-8' => [[['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => "\xff"]]]]];
        yield 'a mark in code' => [
            [
                [
                    'type' => 'codeBlock',
                    'attrs' => ['language' => null],
                    'content' => [['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'strong']]]],
                ],
            ],
        ];
        yield 'a bookmark with a blank' => [
            [
                [
                    'type' => 'paragraph',
                    'content' => [['type' => 'bookmark', 'attrs' => ['id' => 'abcdefghijkl', 'name' => 'a b']]],
                ],
            ],
        ];
        $inline = static fn(array $node): array => [['type' => 'paragraph', 'content' => [$node]]];
        yield 'a part without a kind' => [[['content' => []]]];
        yield 'a part that is a word' => [['paragraph']];
        yield 'a table without rows' => [[['type' => 'table', 'content' => [['type' => 'caption']]]]];
        yield 'a table without its caption first' => [
            [
                [
                    'type' => 'table',
                    'content' => [
                        [
                            'type' => 'tableRow',
                            'content' => [['type' => 'tableCell', 'attrs' => ['header' => false, 'align' => null]]],
                        ],
                    ],
                ],
            ],
        ];
        yield 'a cell set in no known way' => [
            [
                [
                    'type' => 'table',
                    'content' => [
                        ['type' => 'caption'],
                        [
                            'type' => 'tableRow',
                            'content' => [
                                ['type' => 'tableCell', 'attrs' => ['header' => false, 'align' => 'justify']],
                            ],
                        ],
                    ],
                ],
            ],
        ];
        yield 'a list that starts before zero' => [
            [
                [
                    'type' => 'orderedList',
                    'attrs' => ['start' => -1],
                    'content' => [['type' => 'listItem', 'content' => [['type' => 'paragraph']]]],
                ],
            ],
        ];
        yield 'an item that begins with a list' => [
            [
                [
                    'type' => 'bulletList',
                    'content' => [['type' => 'listItem', 'content' => [['type' => 'bulletList', 'content' => []]]]],
                ],
            ],
        ];
        yield 'a paragraph in a paragraph' => [$inline(['type' => 'paragraph'])];
        yield 'a mark that nobody knows' => [
            $inline(['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'blink']]]),
        ];
        yield 'marks that are none' => [$inline(['type' => 'text', 'text' => 'x', 'marks' => 'strong'])];
        yield 'a mark without a kind' => [$inline(['type' => 'text', 'text' => 'x', 'marks' => [[]]])];
        yield 'attributes that are a word' => [$inline(['type' => 'bookmark', 'attrs' => 'x'])];
        yield 'a bookmark whose id is a number' => [
            $inline(['type' => 'bookmark', 'attrs' => ['id' => '123456789012', 'name' => 'a']]),
        ];
        yield 'a picture that is a page' => [
            $inline(['type' => 'image', 'attrs' => ['src' => 'data:text/html;base64,eA==', 'alt' => '']]),
        ];
        yield 'a reference that shows nothing known' => [
            $inline(['type' => 'crossReference', 'attrs' => ['href' => 'section:abcdefghijkl', 'shows' => 'colour']]),
        ];
        $contents = static fn(mixed $lines, mixed $from = 1): array => [
            [
                'type' => 'contents',
                'attrs' => ['title' => 'Contents', 'from' => $from, 'to' => 3, 'numbers' => true, 'lines' => $lines],
            ],
        ];
        yield 'contents from level ten' => [$contents([], 10)];
        yield 'contents whose lines are a word' => [$contents('x')];
        yield 'contents with a line that leads nowhere' => [
            $contents([['section' => 'x', 'level' => 1, 'number' => '', 'heading' => '']]),
        ];
        foreach (
            [
                'a size below nothing' => ['size' => -1],
                'a size that is a word' => ['size' => 'big'],
                'an unknown way of standing' => ['align' => 'justify'],
                'a style without end' => ['style' => str_repeat('x', 300)],
                'a colour, which we do not keep' => ['colour' => 'red'],
                'capitals that are a number' => ['caps' => 1],
            ]
            as $what => $look
        ) {
            yield 'a look with ' . $what => [[['type' => 'paragraph', 'attrs' => ['look' => $look]]]];
        }
        $deep = ['type' => 'paragraph'];
        for ($depth = 0; $depth < 100; ++$depth) {
            $deep = ['type' => 'quotation', 'content' => [$deep]];
        }
        yield 'a hundred quotations deep' => [[$deep]];
    }

    #[DataProvider('hostile')]
    public function testRefusesInOneSentence(mixed $json): void
    {
        $this->expectException(InvalidBody::class);
        $this->expectExceptionMessageMatches('/^(?:\p{Lu}|“).*\.$/u');

        Body::fromJson($json);
    }

    public function testWhateverMayStandInATextIsReadAndWrittenTheSame(): void
    {
        $marks = [
            ['type' => 'link', 'attrs' => ['href' => 'https://example.org/', 'title' => 'There']],
            ['type' => 'emphasis'],
            ['type' => 'strong'],
        ];
        $line = [
            'type' => 'paragraph',
            'content' => [
                ['type' => 'text', 'text' => 'x', 'marks' => $marks],
                ['type' => 'hardBreak'],
                ['type' => 'bookmark', 'attrs' => ['id' => 'abcdefghijkl', 'name' => 'here']],
                ['type' => 'crossReference', 'attrs' => ['href' => 'bookmark:abcdefghijkl', 'shows' => 'number']],
                ['type' => 'image', 'attrs' => ['src' => 'data:image/png;base64,iVBORw0KGgo=', 'alt' => 'lamp']],
                ['type' => 'footnote', 'content' => [['type' => 'text', 'text' => 'foot']]],
            ],
        ];
        $body = [
            $line,
            [
                'type' => 'paragraph',
                'attrs' => [
                    'look' => [
                        'size' => 140,
                        'align' => 'center',
                        'caps' => true,
                        'before' => 12,
                        'after' => 6,
                        'style' => 'Kapitel',
                    ],
                ],
                'content' => [['type' => 'text', 'text' => 'ONE']],
            ],
            ['type' => 'quotation', 'content' => [$line]],
            [
                'type' => 'orderedList',
                'attrs' => ['start' => 0],
                'content' => [
                    [
                        'type' => 'listItem',
                        'content' => [
                            $line,
                            [
                                'type' => 'bulletList',
                                'content' => [['type' => 'listItem', 'content' => [['type' => 'paragraph']]]],
                            ],
                        ],
                    ],
                ],
            ],
            [
                'type' => 'codeBlock',
                'attrs' => ['language' => null],
                'content' => [['type' => 'text', 'text' => "a\n b"]],
            ],
            ['type' => 'calculation', 'content' => [['type' => 'text', 'text' => '20!/(3!*17!)']]],
            [
                'type' => 'table',
                'content' => [
                    ['type' => 'caption', 'content' => [['type' => 'text', 'text' => 'Watches']]],
                    [
                        'type' => 'tableRow',
                        'content' => [['type' => 'tableCell', 'attrs' => ['header' => true, 'align' => 'right']]],
                    ],
                ],
            ],
            ['type' => 'figure', 'attrs' => ['src' => '', 'alt' => 'lost']],
            ['type' => 'separator'],
            ['type' => 'pageBreak'],
            [
                'type' => 'contents',
                'attrs' => [
                    'title' => 'Contents',
                    'from' => 1,
                    'to' => 9,
                    'numbers' => false,
                    'lines' => [['section' => 'abcdefghijkl', 'level' => 1, 'number' => '1', 'heading' => 'One']],
                ],
            ],
        ];

        self::assertEquals(
            $body,
            json_decode(json_encode(Body::fromJson($body)->toJson(), \JSON_THROW_ON_ERROR), true),
        );
    }

    public function testACutThroughAListLeavesTwoWholeLists(): void
    {
        $item = static fn(string $words): Node => new Node(
            'listItem',
            content: [Node::paragraph([Node::text($words)])],
        );
        $body = Body::of([new Node('bulletList', content: [$item('one'), $item('two')])]);
        $at = 1 + $item('one')->size() + 3;

        self::assertSame("one\nt", $body->cut(0, $at)->plainText());
        self::assertSame('wo', $body->cut($at, $body->size())->plainText());
        self::assertEquals($body->cut(0, $at), Body::fromJson($body->cut(0, $at)->toJson()));
    }

    public function testACutNeverHalvesACharacter(): void
    {
        $body = Body::of([Node::paragraph([Node::text('a𝄞b')])]);

        self::assertSame(['a', '𝄞b'], [$body->cut(0, 3)->plainText(), $body->cut(3, $body->size())->plainText()]);
    }

    public function testControlCharactersAreNoPartOfAText(): void
    {
        $body = Body::fromJson([
            [
                'type' => 'paragraph',
                'content' => [
                    ['type' => 'text', 'text' => "a\x01b\tc\u{FFFE}"],
                    ['type' => 'text', 'text' => "\x07", 'marks' => [['type' => 'strong']]],
                ],
            ],
        ]);

        self::assertSame(
            [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => "ab\tc"]]]],
            $body->toJson(),
        );
    }

    public function testWhatWeBuildIsCheckedByTheSameTable(): void
    {
        $schema = new BodySchema();
        $schema->check([Node::paragraph([Node::text('sound')])]);
        foreach (
            [
                new Node('hologram'),
                new Node('figure', ['src' => 'data:image/bmp;base64,AA', 'alt' => '']),
                new Node('bulletList'),
                Node::paragraph([Node::text('')]),
                Node::paragraph([Node::text("\xFF")]),
                new Node('separator', content: [Node::text('x')]),
                new Node('codeBlock', ['language' => null], [Node::text('x', [new Mark('strong')])]),
            ]
            as $unsound
        ) {
            try {
                $schema->check([$unsound]);
                self::fail($unsound->type . ' went through.');
            } catch (InvalidBody $refused) {
                self::assertStringEndsWith('.', $refused->getMessage());
            }
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function sentences(): iterable
    {
        $words = static fn(array $mark): array => [
            'type' => 'paragraph',
            'content' => [['type' => 'text', 'text' => 'x', 'marks' => [$mark]]],
        ];
        yield 'an address that is none' => [
            $words(['type' => 'link', 'attrs' => ['href' => 'javascript:x']]),
            'That address is not one that a link can lead to.',
        ];
        yield 'a hint without end' => [
            $words(['type' => 'link', 'attrs' => ['href' => 'https://example.org/', 'title' => str_repeat('x', 5000)]]),
            'The hint of a link is too long; 4,096 bytes are the most.',
        ];
        yield 'a picture that is none' => [
            ['type' => 'figure', 'attrs' => ['src' => 'data:text/html,x', 'alt' => '']],
            'That picture cannot be kept: it is damaged, or of a kind that browsers do not show.',
        ];
        yield 'levels that are none' => [
            [
                'type' => 'contents',
                'attrs' => ['title' => '', 'from' => 0, 'to' => 3, 'numbers' => true, 'lines' => []],
            ],
            'Contents go from a level to another, from 1 to 9.',
        ];
    }

    /** @param array<string, mixed> $block */
    #[DataProvider('sentences')]
    public function testWritersAreToldInPlainWords(array $block, string $sentence): void
    {
        $this->expectExceptionMessage($sentence);
        Body::fromJson([$block]);
    }

    public function testAMarkThatCannotStandSomewhereIsNamedWithThePlace(): void
    {
        $this->expectException(InvalidBody::class);
        $this->expectExceptionMessage('“strong” cannot be used in that part of the text (codeBlock).');
        Body::fromJson([
            [
                'type' => 'codeBlock',
                'attrs' => ['language' => null],
                'content' => [['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'strong']]]],
            ],
        ]);
    }
}
