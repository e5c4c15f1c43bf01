<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Section;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

final class DuplicateTest extends TestCase
{
    /** A section that was joined with another leaves a bookmark with its id, and may come back from the offcuts. */
    public function testABookmarkWithTheIdOfItsSectionIsNotTakenForIt(): void
    {
        $document = Sketch::document('1 a, 2 b');
        $id = Sketch::id('a')->value;
        $document = $document->withSection(
            $document
                ->sectionAt(0)
                ->withBody(
                    Body::of([
                        Node::paragraph([
                            new Node('bookmark', ['id' => $id, 'name' => 'place']),
                            Node::text('to the heading', [Mark::link('section:' . $id)]),
                            Node::text(' and '),
                            Node::text('to the place', [Mark::link('bookmark:' . $id)]),
                        ]),
                    ]),
                ),
        );
        $after = Wire::done($document, ['name' => 'duplicate', 'sections' => [$id], 'extent' => 'heading-only'])
            ->document;

        self::assertSame('1 a, 1 a, 2 b', Sketch::of($after));
        $copy = $after->sectionAt(1);
        $parts = $copy->body->blocks[0]->content;
        self::assertSame(
            ['section:' . $copy->id->value, 'bookmark:' . $parts[0]->textAttribute('id')],
            [$parts[1]->findMark('link')?->attribute('href'), $parts[3]->findMark('link')?->attribute('href')],
        );
        self::assertNotContains($parts[0]->textAttribute('id'), [$id, $copy->id->value]);
    }
}
