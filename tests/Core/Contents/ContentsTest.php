<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Contents;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Contents\StaleContents;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Numbering\LevelNumber;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\RefusalReason;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

final class ContentsTest extends TestCase
{
    public function testLinesWithinTheLevelsWithoutThoseLeftOut(): void
    {
        $document = Sketch::document('1 a, 2 b, 3 c, 1 d');
        $document = $document->withOutline($document->outline->withFlags([3 => Outline::LEFT_OUT_OF_CONTENTS]));
        $lines = ContentsLines::of($document, new ContentsSettings(1, 2));

        self::assertSame(
            ['1 a', '1.1 b'],
            array_map(static fn(array $line): string => $line['number'] . ' ' . $line['heading'], $lines),
        );
    }

    public function testAHeadingWithoutWordsIsALineWhereItsNumberNamesIt(): void
    {
        $document = Sketch::document('1 a, 1 , 1 c');
        $chapters = Scheme::of([1 => new LevelNumber(word: 'Chapter')], []);
        $numbers = static fn(Document $each): array => array_column(
            ContentsLines::of($each, new ContentsSettings(1, 1)),
            'number',
        );

        self::assertSame(['1', '3'], $numbers($document));
        self::assertSame(
            ['Chapter 1', 'Chapter 2', 'Chapter 3'],
            $numbers($document->withSetup($document->setup->withNumbering($chapters))),
        );
    }

    public function testContentsSayWhenTheyAreBehindAndAreRefreshed(): void
    {
        $document = $this->after(Sketch::document('1 a, 1 b'), [
            'name' => 'generate-contents',
            'section' => Sketch::id('a')->value,
            'from' => 1,
            'to' => 3,
        ]);
        self::assertSame([], StaleContents::in($document));

        $renamed = $this->after($document, ['name' => 'rename', 'section' => Sketch::id('b')->value, 'heading' => 'c']);
        self::assertEquals([Sketch::id('a')], StaleContents::in($renamed));

        $refreshed = $this->after($renamed, ['name' => 'refresh-contents', 'section' => Sketch::id('a')->value]);
        self::assertSame([], StaleContents::in($refreshed));
    }

    /** @param array<string, mixed> $operation */
    private function after(Document $document, array $operation): Document
    {
        $outcome = (new OperationReader(new CountingIds()))->read($operation)->applyTo($document);
        self::assertInstanceOf(Applied::class, $outcome);

        return $outcome->document;
    }

    public function testLinesThatSayTooLittleAreNone(): void
    {
        $line = ['section' => 'aaaaaaaaaaaa', 'level' => 1, 'number' => '1', 'heading' => 'a'];
        $stored = [$line, 'words'];
        foreach ($line as $part => $value) {
            $stored[] = array_diff_key($line, [$part => true]);
            $stored[] = [...$line, $part => is_int($value) ? '1' : 1];
        }

        self::assertSame([$line], ContentsLines::kept(new Node('contents', ['lines' => $stored])));
        self::assertSame([], ContentsLines::kept(new Node('contents', ['lines' => 'words'])));
    }

    /** @param list<string>|null $numbers */
    #[TestWith([1, 9, ['1', '1.1', '2']])]
    #[TestWith([2, 2, ['1.1']])]
    #[TestWith([0, 3, null])]
    #[TestWith([1, 10, null])]
    #[TestWith([3, 2, null])]
    public function testLevelsFromAndTo(int $from, int $to, ?array $numbers): void
    {
        $operation = ['name' => 'generate-contents', 'section' => 'a', 'from' => $from, 'to' => $to];
        $document = Sketch::document('1 a, 2 b, 1 c');
        if (null === $numbers) {
            self::assertSame(RefusalReason::OutOfRange, Wire::refused($document, $operation)->reason);

            return;
        }
        $blocks = Wire::done($document, $operation)->document->sectionAt(0)->body->blocks;
        $contents = array_values(array_filter($blocks, static fn(Node $block): bool => 'contents' === $block->type));
        self::assertSame($numbers, array_column(ContentsLines::kept($contents[0]), 'number'));
    }
}
