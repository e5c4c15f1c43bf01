<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Offcut;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

/** Thoughts beside the text, and words that go there and come back. */
final class IdeasTest extends TestCase
{
    public function testAnIdeaIsNotedRewordedPutIntoTheTextAndInNoFile(): void
    {
        $document = self::done(Sketch::document('1 A, 1 B'), [
            'name' => 'note-idea',
            'words' => "The lamp.\n\nOr two?",
        ]);
        [$id] = array_keys($document->changedOffcuts);
        $idea = $document->changedOffcuts[$id];
        self::assertSame(OffcutReason::Idea, $idea?->reason);
        self::assertSame('The lamp. Or two?', $idea->name);
        self::assertStringNotContainsString('lamp', Services::formats()->written('html', $document));

        $document = self::done($document, ['name' => 'reword-idea', 'idea' => $id, 'words' => 'Two lamps.']);
        self::assertSame('Two lamps.', $document->findOffcut($idea->id)?->name);

        $size = $document->section(Sketch::id('B'))->body->size();
        $document = self::done($document, [
            'name' => 'bring-back',
            'offcut' => $id,
            'target' => Sketch::id('B')->value,
            'at' => $size,
        ]);
        self::assertNull($document->findOffcut($idea->id));
        self::assertSame("Text of B.\nTwo lamps.", trim($document->section(Sketch::id('B'))->body->plainText()));
    }

    public function testWordsGoToTheIdeasWithTheirMarksAndComeBack(): void
    {
        $text = new Section(
            Sketch::id('A'),
            Heading::plain('A'),
            Body::of([
                Node::paragraph([
                    Node::text('The '),
                    Node::text('lamp', [new Mark('strong', [])]),
                    Node::text(' was lit.'),
                ]),
            ]),
        );
        $before = Sketch::document('1 A')->withSection($text);
        $document = self::done($before, [
            'name' => 'set-text-aside',
            'section' => Sketch::id('A')->value,
            'from' => 5,
            'to' => 9,
            'reason' => 'idea',
        ]);
        [$id] = array_keys($document->changedOffcuts);
        self::assertSame(OffcutReason::Idea, $document->changedOffcuts[$id]?->reason);
        self::assertSame('The  was lit.', $document->section(Sketch::id('A'))->body->plainText());
        $refused = Wire::operation(['name' => 'reword-idea', 'idea' => $id, 'words' => 'x'])->applyTo($document);
        self::assertInstanceOf(Refused::class, $refused);
        self::assertSame(
            'This idea holds more than words; put it into the text and change it there.',
            $refused->sentence,
        );

        $back = self::done($document, ['name' => 'bring-back', 'offcut' => $id]);
        self::assertEquals($text->body, $back->section(Sketch::id('A'))->body);
    }

    public function testAnIdeaGivenUpLiesAmongTheOffcuts(): void
    {
        $document = self::done(Sketch::document('1 A'), ['name' => 'note-idea', 'words' => 'The lamp.']);
        [$id] = array_keys($document->changedOffcuts);
        $document = self::done($document, ['name' => 'reword-idea', 'idea' => $id, 'words' => ' ']);
        self::assertSame(OffcutReason::Deleted, $document->changedOffcuts[$id]?->reason);
        $again = Wire::operation(['name' => 'reword-idea', 'idea' => $id, 'words' => 'x'])->applyTo($document);
        self::assertInstanceOf(Refused::class, $again);
        self::assertSame('That idea is not there any more.', $again->sentence);
    }

    public function testTheQuestionIsKeptThroughTitles(): void
    {
        $document = self::done(Sketch::document('1 A'), ['name' => 'describe-document', 'question' => 'Who lit it?']);
        $document = self::done($document, [
            'name' => 'take-as-title',
            'section' => Sketch::id('A')->value,
            'block' => 0,
            'part' => 'subtitle',
        ]);
        self::assertSame('Who lit it?', $document->titleBlock->question);
        self::assertStringNotContainsString('Who lit it?', Services::formats()->written('md', $document));
    }

    /** @param array<string, mixed> $request */
    private static function done(Document $document, array $request): Document
    {
        $answer = Wire::operation($request)->applyTo($document);
        self::assertInstanceOf(Applied::class, $answer, $answer instanceof Refused ? $answer->sentence : '');

        return $answer->document;
    }
}
