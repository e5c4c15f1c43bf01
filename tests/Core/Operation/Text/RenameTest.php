<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Text;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\References;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

final class RenameTest extends TestCase
{
    public function testANameGivenInTheOutlineLeavesPlacesAndNotesInTheHeading(): void
    {
        $document = Sketch::document('1 a');
        $place = new Node('bookmark', ['id' => 'mark00000001', 'name' => 'the_lamp']);
        $note = new Node('footnote', content: [Node::text('Or lantern.')]);
        $heading = Heading::ofInline([Node::text('Of '), $place, Node::text('lamps'), $note]);
        $document = $document->withSection($document->sectionAt(0)->withHeading($heading));
        $id = 'a';

        $renamed = Wire::done($document, [
            'name' => 'rename',
            'section' => $id,
            'heading' => 'Lanterns',
        ])->document->sectionAt(0);
        self::assertEquals([$place, Node::text('Lanterns'), $note], $renamed->heading->inline);
        self::assertSame(['mark00000001' => 'the_lamp'], References::in($renamed)->bookmarks);

        // In the text the writer sees them, and may take them out.
        $typed = Wire::done($document, [
            'name' => 'rename',
            'section' => $id,
            'heading' => [['type' => 'text', 'text' => 'Lanterns']],
        ])->document->sectionAt(0);
        self::assertEquals([Node::text('Lanterns')], $typed->heading->inline);
    }
}
