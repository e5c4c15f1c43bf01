<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Link;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Check\BrokenLinks;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Link\CrossReferenceShows;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;

final class CrossReferenceTest extends TestCase
{
    #[TestWith([CrossReferenceShows::Number, '3.2', 'Gaps', '3.2'])]
    #[TestWith([CrossReferenceShows::Number, '', 'Preface', 'Preface'])]
    #[TestWith([CrossReferenceShows::Heading, '3.2', 'Gaps', 'Gaps'])]
    #[TestWith([CrossReferenceShows::Both, '3.2', 'Gaps', '3.2 Gaps'])]
    public function testShows(CrossReferenceShows $shows, string $number, string $heading, string $words): void
    {
        self::assertSame($words, $shows->words($number, $heading));
    }

    public function testItsWordsFollowAMoveInEveryFileWritten(): void
    {
        $document = $this->referring('Coast', 'Gaps');
        self::assertStringContainsString('>2 Gaps</a>', Services::formats()->written('html', $document));

        $moved = $this->done($document, [
            'name' => 'move',
            'sections' => [Sketch::id('Gaps')->value],
            'landing' => 'inside',
            'target' => Sketch::id('Coast')->value,
        ]);
        self::assertStringContainsString('>1.1 Gaps</a>', Services::formats()->written('html', $moved));
        self::assertStringContainsString('>1.1 Gaps</a>', Services::formats()->written('md', $moved));
    }

    public function testACopyOfABranchRefersWithinItself(): void
    {
        $document = $this->done($this->referring('Gaps', 'Winter', '1 Coast, 1 Gaps, 2 Winter'), [
            'name' => 'duplicate',
            'sections' => [Sketch::id('Gaps')->value],
        ]);
        $copy = $document->sectionAt(3);

        self::assertSame([$document->outline->idAt(4)->value], array_keys(References::in($copy)->links));
    }

    public function testIsBrokenWhenItsTargetIsAmongTheOffcuts(): void
    {
        $document = $this->referring('Coast', 'Gaps');
        $after = $this->done($document, ['name' => 'delete', 'sections' => [Sketch::id('Gaps')->value]]);

        self::assertFalse(BrokenLinks::in($document->outline, [])->isBroken(Sketch::id('Gaps')->value));
        self::assertTrue(BrokenLinks::in($after->outline, [])->isBroken(Sketch::id('Gaps')->value));
    }

    private function referring(string $from, string $to, string $outline = '1 Coast, 1 Gaps'): Document
    {
        $document = Sketch::document($outline);
        $reference = new Node('crossReference', ['href' => 'section:' . Sketch::id($to)->value, 'shows' => 'both']);

        return $document->withSection(
            $document
                ->section(Sketch::id($from))
                ->withBody(Body::of([Node::paragraph([Node::text('See '), $reference])])),
        );
    }

    /** @param array<string, mixed> $operation */
    private function done(Document $document, array $operation): Document
    {
        $outcome = (new OperationReader(new CountingIds()))->read($operation)->applyTo($document);
        self::assertInstanceOf(Applied::class, $outcome);

        return $outcome->document;
    }
}
