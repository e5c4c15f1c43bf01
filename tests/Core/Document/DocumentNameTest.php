<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\TitleBlock;

final class DocumentNameTest extends TestCase
{
    /** @param list<string> $headings */
    #[TestWith(['Lamps', ['One'], 'Lamps'])]
    #[TestWith(['  ', ['', ' ', 'One', 'Two'], 'One'])]
    #[TestWith(['', ['', ''], 'Untitled'])]
    #[TestWith(['', [], 'Untitled'])]
    public function testTheTitleOrTheFirstHeadingWithWords(string $title, array $headings, string $name): void
    {
        self::assertSame($name, TitleBlock::name($title, $headings));
    }

    public function testWhatStandsFarDownNamesNothing(): void
    {
        $blank = array_fill(0, TitleBlock::NAMING - 1, '');

        self::assertSame('Last', TitleBlock::name('', [...$blank, 'Last']));
        self::assertSame('Untitled', TitleBlock::name('', [...$blank, '', 'Last']));
    }
}
