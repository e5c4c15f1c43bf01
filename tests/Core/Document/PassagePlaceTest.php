<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\PassagePlace;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;

final class PassagePlaceTest extends TestCase
{
    public function testAPlaceIsTheSameAfterItWasStored(): void
    {
        $body = Body::of([Node::paragraph([Node::text('The glass fell.')]), Node::paragraph([Node::text('It rose.')])]);
        $size = $body->size();
        for ($from = 0; $from < $size; ++$from) {
            foreach ([$from + 1, intdiv($from + $size, 2), $size] as $to) {
                $place = PassagePlace::of($body, $from, $to);
                self::assertEquals($place, PassagePlace::fromJson($place->toJson()));
            }
        }
        self::assertNull(PassagePlace::fromJson([]));
        self::assertNull(PassagePlace::fromJson(['words', 7, true, true]));
    }

    public function testFortySignsOfEitherSideAreKept(): void
    {
        $words = static fn(int $from, int $to): string => implode(
            '',
            array_map(static fn(int $number): string => chr(97 + ($number % 26)), range($from, $to)),
        );
        $body = Body::of([Node::paragraph([Node::text($words(0, 99))])]);

        // The text begins at 1, behind the beginning of its paragraph.
        self::assertSame([$words(10, 49), $words(60, 99), 1, 1], PassagePlace::of($body, 51, 61)->toJson());
        self::assertSame([$words(0, 1), $words(5, 44), 1, 1], PassagePlace::of($body, 3, 6)->toJson());
        self::assertSame(['', '', 0, 0], PassagePlace::of($body, 0, 102)->toJson());
    }

    public function testWordsTakenOutGoBackWhereTheyWere(): void
    {
        $body = Body::of([Node::paragraph([Node::text('One two three.')]), Node::paragraph([Node::text('Four.')])]);
        $size = $body->size();
        $back = 0;
        for ($from = 0; $from < $size; ++$from) {
            for ($to = $from + 1; $to <= $size; ++$to) {
                $passage = $body->cut($from, $to);
                $left = $body->without($from, $to);
                $found = PassagePlace::of($body, $from, $to)->findIn($left, $passage);
                if (null !== $found) {
                    self::assertSame($body->plainText(), $found->plainText(), "$from to $to");
                    ++$back;
                }
            }
        }
        self::assertSame(276, $back);
    }
}
