<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\ListKind;
use Stemmata\Format\Read\ListRun;

/** Items as office files have them, one after the other with their depths, put together into lists. */
final class ListRunTest extends TestCase
{
    private ListRun $run;

    protected function setUp(): void
    {
        $this->run = new ListRun();
    }

    public function testAnItemGoesOnInAParagraphOfItsDepth(): void
    {
        self::assertFalse($this->run->goOn(0, self::words('none is open')));
        $this->item(0, 'one');
        self::assertFalse($this->run->goOn(1, self::words('none so deep')));
        self::assertTrue($this->run->goOn(0, self::words('on')));
        $this->item(1, 'inner');
        self::assertTrue($this->run->goOn(1, self::words('inner on')));
        self::assertTrue($this->run->goOn(0, self::words('outer on')));

        self::assertSame('*one/on/*inner/inner on*/outer on*', $this->read());
    }

    public function testDeeperItemsStandInTheOneAbove(): void
    {
        foreach ([[0, 'a'], [1, 'b'], [2, 'c'], [1, 'd'], [0, 'e'], [2, 'f']] as [$depth, $words]) {
            $this->item($depth, $words);
        }

        self::assertSame('*a/*b/*c*,d*,e/*f**', $this->read());
    }

    public function testAListThatBeginsDeepHasAnEmptyItemAbove(): void
    {
        $this->item(1, 'deep');
        $this->item(0, 'shallow');

        self::assertSame('*deep*|*shallow*', $this->read());
    }

    public function testAnotherKindAtTheSameDepthIsAnotherList(): void
    {
        $this->item(0, 'a');
        $this->item(0, '1', ListKind::ordered(null));
        $this->item(0, '2', ListKind::ordered(null));
        $this->item(0, 'b');

        self::assertSame('*a*|#1,2#|*b*', $this->read());
    }

    public function testAnotherListIsToldByItsNameAtTheTop(): void
    {
        self::assertTrue($this->run->isEmpty());
        self::assertTrue($this->run->isOf('any', 0));
        $this->item(0, 'a');
        self::assertFalse($this->run->isEmpty());
        self::assertTrue($this->run->isOf('list', 0));
        self::assertFalse($this->run->isOf('other', 0));
        self::assertTrue($this->run->isOf('other', 1));
        $this->read();
        self::assertTrue($this->run->isEmpty());
    }

    private function item(int $depth, string $words, ?ListKind $kind = null): void
    {
        $this->run->item('list', $depth, $kind ?? ListKind::bullets(), 1, [self::words($words)]);
    }

    private static function words(string $words): Node
    {
        return Node::paragraph([Node::text($words)]);
    }

    private function read(): string
    {
        return implode('|', array_map(self::shown(...), $this->run->finished()));
    }

    private static function shown(Node $node): string
    {
        $parts = array_map(self::shown(...), $node->content);

        return match ($node->type) {
            'bulletList' => '*' . implode(',', $parts) . '*',
            'orderedList' => '#' . implode(',', $parts) . '#',
            'listItem' => implode('/', $parts),
            default => $node->plainText(),
        };
    }
}
