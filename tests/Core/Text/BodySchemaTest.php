<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Text;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\InvalidBody;
use Stemmata\Core\Text\Node;

final class BodySchemaTest extends TestCase
{
    /** @return iterable<string, array{mixed}> */
    public static function hostile(): iterable
    {
        $link = static fn (string $href): array => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'link', 'attrs' => ['href' => $href]]]]]]];
        yield 'no list' => ['x'];
        yield 'an unknown part' => [[['type' => 'script']]];
        yield 'text outside a block' => [[['type' => 'text', 'text' => 'x']]];
        yield 'a list without items' => [[['type' => 'bulletList', 'content' => []]]];
        yield 'a link that runs' => [$link('javascript:alert(1)')];
        yield 'the same behind a blank' => [$link(" java\tscript:alert(1)")];
        yield 'data as a link' => [$link('data:text/html,x')];
        yield 'empty text' => [[['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => '']]]]];
        yield 'broken UTF-8' => [[['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => "\xff"]]]]];
        yield 'a mark in code' => [[['type' => 'codeBlock', 'attrs' => ['language' => null], 'content' => [['type' => 'text', 'text' => 'x', 'marks' => [['type' => 'strong']]]]]]];
        yield 'a bookmark with a blank' => [[['type' => 'paragraph', 'content' => [['type' => 'bookmark', 'attrs' => ['id' => 'abcdefghijkl', 'name' => 'a b']]]]]];
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
        $this->expectExceptionMessageMatches('/^The text .*\.$/');

        Body::fromJson($json);
    }

    public function testACutThroughAListLeavesTwoWholeLists(): void
    {
        $item = static fn (string $words): Node => new Node('listItem', content: [Node::paragraph([Node::text($words)])]);
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
}
