<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\MemoryShelf;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Sketch;

/** What an operation changed answers for itself; for all else the shelf does. */
final class DocumentTest extends TestCase
{
    public function testABookmarkThatWasTakenOutHasNoOwner(): void
    {
        $marked = Section::blank(Sketch::id('a'))->withBody(
            Body::of([Node::paragraph([new Node('bookmark', ['id' => 'b00000000001', 'name' => 'lamp'])])]),
        );
        $document = self::opened([$marked, Section::blank(Sketch::id('b'))], []);

        self::assertEquals(Sketch::id('a'), $document->findBookmarkOwner('lamp'));
        self::assertEquals(
            Sketch::id('a'),
            $document->withSection(Section::blank(Sketch::id('b')))->findBookmarkOwner('lamp'),
            'another section was changed',
        );
        self::assertNull($document->withSection($marked->withBody(Body::empty()))->findBookmarkOwner('lamp'));
        self::assertNull($document->withoutSection($marked->id)->findBookmarkOwner('lamp'));
    }

    public function testAnOffcutThatLostASectionDoesNotHoldIt(): void
    {
        $offcut = new Offcut(
            Sketch::id('cut'),
            OffcutReason::Deleted,
            'a',
            null,
            Outline::of(Sketch::id('a'), \Stemmata\Core\Outline\Level::One),
        );
        $document = self::opened([Section::blank(Sketch::id('a'))], ['cutxxxxxxxxx' => $offcut]);

        self::assertEquals($offcut, $document->findOffcutHolding(Sketch::id('a')));
        self::assertNull($document->withoutOffcut($offcut->id)->findOffcutHolding(Sketch::id('a')));
        self::assertNull(
            $document->withOffcut($offcut->withOutline(Outline::empty()))->findOffcutHolding(Sketch::id('a')),
        );
    }

    /**
     * @param list<Section>         $sections
     * @param array<string, Offcut> $offcuts
     */
    private static function opened(array $sections, array $offcuts): Document
    {
        $document = Sketch::document('1 a, 1 b');

        return Document::opened(
            new TitleBlock('Sketch'),
            $document->outline,
            Setup::plain(),
            new MemoryShelf($sections, $offcuts),
        );
    }
}
