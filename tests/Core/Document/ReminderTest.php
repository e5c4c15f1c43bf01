<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Reminder;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Find\FoldedWords;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

final class ReminderTest extends TestCase
{
    private const FIRST = 'r00000000001';
    private const SECOND = 'r00000000002';

    public function testItIsNoPartOfTheText(): void
    {
        $section = self::section();

        self::assertSame("The gauge stood at six.\n", $section->body->plainText() . "\n");
        self::assertSame(5, (new WordCount())->ofBody($section));
        self::assertStringNotContainsString('1890', FoldedWords::of($section));
    }

    #[TestWith(['md'])]
    #[TestWith(['html'])]
    #[TestWith(['docx'])]
    public function testItIsWrittenToNoFile(string $format): void
    {
        $written = Services::formats()->written($format, self::document());
        $file = 'docx' === $format ? implode('', Packed::parts($written)) : $written;

        self::assertStringContainsString('gauge', $file);
        self::assertStringNotContainsString('1890', $file);
        self::assertStringNotContainsString('reminder', $file);
    }

    public function testItIsSettledOpenedRewordedAndTakenAway(): void
    {
        $document = self::document();
        $document = self::after($document, ['reminder' => self::FIRST, 'settled' => true]);
        self::assertEquals([new Reminder(self::FIRST, 'add the table of 1890', true)], self::first($document));
        $document = self::after($document, ['reminder' => self::FIRST, 'words' => 'ask the keeper']);
        self::assertEquals([new Reminder(self::FIRST, 'ask the keeper', true)], self::first($document));
        $document = self::after($document, ['reminder' => self::FIRST, 'settled' => false]);
        self::assertEquals([new Reminder(self::FIRST, 'ask the keeper', false)], self::first($document));
        $document = self::after($document, ['reminder' => self::FIRST, 'words' => '']);
        self::assertSame([], self::first($document));
        self::assertSame([self::SECOND], self::ids($document));
    }

    public function testWhatIsNotThereIsRefused(): void
    {
        $request = ['name' => 'change-reminder', 'section' => 'gauge', 'reminder' => 'r00000000009', 'settled' => true];
        $answer = Wire::operation([...$request, 'section' => Sketch::id('gauge')->value])->applyTo(self::document());

        self::assertInstanceOf(Refused::class, $answer);
        self::assertSame('That reminder is not there any more.', $answer->sentence);
    }

    public function testMoreThanAReminderHoldsIsRefused(): void
    {
        $answer = Wire::operation([
            'name' => 'change-reminder',
            'section' => Sketch::id('gauge')->value,
            'reminder' => self::FIRST,
            'words' => str_repeat('a', Reminder::LONGEST + 1),
        ])->applyTo(self::document());

        self::assertInstanceOf(Refused::class, $answer);
    }

    public function testACopyHasRemindersOfItsOwn(): void
    {
        $answer = Wire::operation(['name' => 'duplicate', 'sections' => [Sketch::id('gauge')->value]])->applyTo(
            self::document(),
        );

        self::assertInstanceOf(Applied::class, $answer);
        $ids = self::ids($answer->document);
        self::assertCount(4, $ids);
        self::assertCount(4, array_unique($ids));
    }

    /** @param array<string, mixed> $request */
    private static function after(Document $document, array $request): Document
    {
        $answer = Wire::operation([
            'name' => 'change-reminder',
            'section' => Sketch::id('gauge')->value,
            ...$request,
        ])->applyTo($document);
        self::assertInstanceOf(Applied::class, $answer);

        return $answer->document;
    }

    /** @return list<Reminder> */
    private static function first(Document $document): array
    {
        return array_values(
            array_filter(
                References::in($document->sectionAt(0))->reminders,
                static fn(Reminder $each): bool => self::FIRST === $each->id,
            ),
        );
    }

    /** @return list<string> */
    private static function ids(Document $document): array
    {
        $ids = [];
        foreach ($document->references() as $references) {
            foreach ($references->reminders as $reminder) {
                $ids[] = $reminder->id;
            }
        }

        return $ids;
    }

    private static function document(): Document
    {
        return Sketch::document('1 Gauge')->withSection(self::section());
    }

    private static function section(): Section
    {
        return new Section(
            Sketch::id('Gauge'),
            Heading::ofInline([Node::text('Gauge'), (new Reminder(self::SECOND, 'a better name', false))->node()]),
            Body::of([
                Node::paragraph([
                    Node::text('The gauge '),
                    (new Reminder(self::FIRST, 'add the table of 1890', false))->node(),
                    Node::text('stood at six.'),
                ]),
            ]),
        );
    }
}
