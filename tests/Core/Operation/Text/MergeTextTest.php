<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Text;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\RefusalReason;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

final class MergeTextTest extends TestCase
{
    public function testDifferentWordsArePutTogetherWithTheTextAsItIsNow(): void
    {
        $merged = Wire::done(self::written('the lamp was lit at dawn'), self::merge('the old lamp was lit'));

        self::assertSame('the old lamp was lit at dawn', self::words($merged->document));
        self::assertSame([], $merged->document->changedOffcuts);
    }

    public function testTheSameWordsAreAskedAbout(): void
    {
        $refused = Wire::refused(self::written('the lens was lit'), self::merge('the glass was lit'));

        self::assertSame(RefusalReason::SameWords, $refused->reason);
    }

    #[TestWith(['mine', 'the glass was lit', 'lens'])]
    #[TestWith(['theirs', 'the lens was lit', 'glass'])]
    #[TestWith(['both', "the lens was lit\nthe glass was lit", null])]
    public function testWordsThatGiveWayAreSetAside(string $preference, string $stands, ?string $setAside): void
    {
        $merged = Wire::done(
            self::written('the lens was lit'),
            self::merge('the glass was lit', 'the lens was lit', $preference),
        );

        self::assertSame($stands, self::words($merged->document));
        self::assertSame(
            null === $setAside ? [] : [$setAside],
            array_map(static fn($offcut): ?string => $offcut?->name, array_values($merged->document->changedOffcuts)),
        );
    }

    public function testWhatWasWrittenSinceTheChoiceWasShownStays(): void
    {
        $merged = Wire::done(
            self::written('the lens was lit, and the clock wound'),
            self::merge('the glass was lit', 'the lens was lit', 'mine'),
        );

        self::assertSame('the glass was lit, and the clock wound', self::words($merged->document));
    }

    public function testTheSameWordsChangedOnceMoreAreAskedAboutOnceMore(): void
    {
        $refused = Wire::refused(
            self::written('the prism was lit'),
            self::merge('the glass was lit', 'the lens was lit', 'mine'),
        );

        self::assertSame(RefusalReason::SameWords, $refused->reason);
    }

    public function testASectionThatIsGoneTakesNothing(): void
    {
        $refused = Wire::refused(Sketch::document('1 b'), self::merge('words'));

        self::assertSame(RefusalReason::UnknownSection, $refused->reason);
    }

    private static function written(string $words): Document
    {
        $document = Sketch::document('1 a');

        return $document->withSection($document->sectionAt(0)->withBody(self::body($words)));
    }

    private static function words(Document $document): string
    {
        return $document->sectionAt(0)->body->plainText();
    }

    private static function body(string $words): Body
    {
        return Body::of([Node::paragraph([Node::text($words)])]);
    }

    /** @return array<string, mixed> */
    private static function merge(string $mine, ?string $seen = null, string $preference = 'ask'): array
    {
        $text = static fn(string $words): array => [
            'heading' => [['type' => 'text', 'text' => 'a']],
            'body' => self::body($words)->toJson(),
        ];

        return [
            'name' => 'merge-text',
            'section' => 'a',
            'began' => $text('the lamp was lit'),
            'mine' => $text($mine),
            ...null === $seen ? [] : ['seen' => $text($seen)],
            'preference' => $preference,
        ];
    }
}
