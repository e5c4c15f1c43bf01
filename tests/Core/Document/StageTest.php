<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Stage;
use Stemmata\Core\History\SectionDetail;
use Stemmata\Core\Operation\Applied;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

final class StageTest extends TestCase
{
    public function testSharesAreOfWordsAndAnIdeaWithoutWordsIsSeen(): void
    {
        self::assertSame(
            ['' => 10, 'idea' => 1, 'drafted' => 100, 'revised' => 0, 'settled' => 300],
            Stage::shares(
                ['a', 'b', 'c', 'd', 'e'],
                [100, 0, 300, 9, 0],
                ['a' => 'drafted', 'b' => 'idea', 'c' => 'settled', 'e' => 'from a later version'],
            ),
        );
    }

    public function testIsSetForManyAtOnceAndTakenAway(): void
    {
        $document = Sketch::document('1 A, 2 B, 1 C');
        $request = ['name' => 'describe-section', 'sections' => [Sketch::id('A')->value, Sketch::id('C')->value]];
        $set = Wire::operation([...$request, 'stage' => 'revised'])->applyTo($document);
        self::assertInstanceOf(Applied::class, $set);
        self::assertSame(
            [Stage::Revised, Stage::None, Stage::Revised],
            array_map(static fn(string $each): Stage => $set->document->section(Sketch::id($each))->stage, [
                'A',
                'B',
                'C',
            ]),
        );
        $noted = Wire::operation([...$request, 'aim' => 'Show it'])->applyTo($set->document);
        self::assertInstanceOf(Applied::class, $noted);
        self::assertSame(Stage::Revised, $noted->document->section(Sketch::id('A'))->stage, 'left as it is');
        $gone = Wire::operation([...$request, 'stage' => ''])->applyTo($noted->document);
        self::assertInstanceOf(Applied::class, $gone);
        self::assertSame(Stage::None, $gone->document->section(Sketch::id('A'))->stage);
        self::assertSame('stage', SectionDetail::Stage->value);
    }
}
