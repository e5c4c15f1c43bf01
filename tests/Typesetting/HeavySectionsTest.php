<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Typesetting\HeavySections;

/** Which sections are printed in plain words where the engine gave up. */
final class HeavySectionsTest extends TestCase
{
    public function testTheLongestAreMoreOfThemWithEachRound(): void
    {
        $document = self::document(['a' => 200_000, 'b' => 90_000, 'c' => 80_000, 'd' => 70_000, 'e' => 5_000]);

        self::assertSame([], HeavySections::of($document, 0));
        self::assertSame([Sketch::id('a')->value], HeavySections::of($document, 1));
        self::assertSame(
            array_map(static fn(string $name): string => Sketch::id($name)->value, ['a', 'b', 'c']),
            HeavySections::of($document, 2),
        );
        self::assertCount(4, HeavySections::of($document, 3));
    }

    /** Seen with forty notes in five wide tables: 46,000 bytes that took more memory than a document has. */
    public function testAShortOneCountsWhereItIsMuchOfTheDocument(): void
    {
        $short = self::document(['a' => 30_000, 'b' => 46_000, 'c' => 37_000, 'd' => 300]);

        self::assertSame([Sketch::id('b')->value], HeavySections::of($short, 1));
        self::assertSame(
            [],
            HeavySections::of(self::document(array_fill_keys(range('a', 'z'), 46_000)), 3),
            'none is much of a long document',
        );
        self::assertSame([], HeavySections::of(self::document(['a' => 9_000]), 3));
    }

    /** @param array<string, int> $letters by the name of the section */
    private static function document(array $letters): Document
    {
        $document = Sketch::document(
            implode(', ', array_map(static fn(string $name): string => '1 ' . $name, array_keys($letters))),
        );
        foreach ($letters as $name => $count) {
            $body = Body::of([Node::paragraph([Node::text(str_repeat('a', $count))])]);
            $document = $document->withSection($document->section(Sketch::id($name))->withBody($body));
        }

        return $document;
    }
}
