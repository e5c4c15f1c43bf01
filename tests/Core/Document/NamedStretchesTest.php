<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\NamedStretches;
use Stemmata\Core\Text\Node;

final class NamedStretchesTest extends TestCase
{
    /**
     * Lines of words, with a letter for each bookmark and the same in capitals for its end.
     *
     * @return iterable<string, array{list<string>, list<string>, list<string>}> lines, stretches, and the lines without
     *     loose ends
     */
    public static function lines(): iterable
    {
        yield 'a place' => [['-a-'], [], ['-a-']];
        yield 'a stretch' => [['-a-A-'], ['a'], ['-a-A-']];
        yield 'over lines' => [['-a-', '-', '-A-'], ['a'], ['-a-', '-', '-A-']];
        yield 'nothing between' => [['-aA-'], [], ['-a-']];
        yield 'only another bookmark between' => [['-abA-'], ['a'], ['-abA-']];
        yield 'an end alone' => [['-A-'], [], ['--']];
        yield 'the end first' => [['-A-a-'], [], ['--a-']];
        yield 'two ends' => [['-a-A-A-'], ['a'], ['-a-A--']];
        yield 'across each other' => [['-a-b-A-B-'], ['a', 'b'], ['-a-b-A-B-']];
    }

    /**
     * @param list<string> $lines
     * @param list<string> $stretches
     * @param list<string> $sound
     */
    #[DataProvider('lines')]
    public function testWhatIsNamed(array $lines, array $stretches, array $sound): void
    {
        $nodes = array_map(self::line(...), $lines);
        $ended = NamedStretches::in($nodes);

        self::assertSame($stretches, array_map(self::letter(...), array_keys($ended)));
        self::assertSame($sound, array_map(self::signs(...), NamedStretches::withoutLooseEnds($nodes, $ended)));
    }

    private static function line(string $signs): Node
    {
        return Node::paragraph(
            array_map(
                static fn(string $sign): Node => match (true) {
                    '-' === $sign => Node::text('-'),
                    ctype_upper($sign) => new Node('bookmarkEnd', ['id' => self::id(strtolower($sign))]),
                    default => new Node('bookmark', ['id' => self::id($sign), 'name' => $sign]),
                },
                str_split($signs),
            ),
        );
    }

    private static function id(string $letter): string
    {
        return str_repeat($letter, 12);
    }

    private static function letter(string $id): string
    {
        return $id[0];
    }

    private static function signs(Node $line): string
    {
        return implode(
            '',
            array_map(
                static fn(Node $part): string => match ($part->type) {
                    'bookmark' => self::letter($part->textAttribute('id')),
                    'bookmarkEnd' => strtoupper(self::letter($part->textAttribute('id'))),
                    default => $part->text,
                },
                $line->content,
            ),
        );
    }
}
