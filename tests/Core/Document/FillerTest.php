<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Document\Filler;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Services;

final class FillerTest extends TestCase
{
    public function testFillerIsNotCountedAndIsAFindingUntilItIsWrittenOver(): void
    {
        $text = "# One\n\nThree words here.\n\n" . Filler::PARAGRAPHS[0] . "\n\n" . Filler::PARAGRAPHS[1] . "\n";
        foreach (['filler' => 2, Filler::PARAGRAPHS[0] => 1] as $written => $fillers) {
            $document = Services::formats()->read(
                'x.md',
                2 === $fillers ? $text : str_replace((string) $written, 'Seven words and no filler at all.', $text),
            )->document;
            $findings = array_filter(
                StructureCheck::of($document),
                static fn(object $finding): bool => 'filler' === $finding->rule,
            );

            self::assertSame(2 === $fillers ? 3 : 10, (new WordCount())->ofBody($document->sectionAt(0)));
            self::assertSame(
                [2 === $fillers ? '2 paragraphs here are filler.' : 'One paragraph here is filler.'],
                array_column($findings, 'message'),
            );
        }
    }

    public function testOnlyWholeParagraphsAreFiller(): void
    {
        $words = Filler::PARAGRAPHS[2];

        self::assertTrue(Filler::is(Node::paragraph([Node::text($words)])));
        self::assertFalse(Filler::is(Node::paragraph([Node::text($words . '!')])));
        self::assertFalse(Filler::is(new Node('codeBlock', ['language' => null], [Node::text($words)])));
    }
}
