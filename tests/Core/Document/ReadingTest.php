<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Reading;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Wire;

/** What has to be read again after a change, and what has not. */
final class ReadingTest extends TestCase
{
    private const WORDS = [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'More words.']]]];
    private const BOOKMARK = [
        [
            'type' => 'paragraph',
            'content' => [['type' => 'bookmark', 'attrs' => ['id' => 'bbbbbbbbbbbb', 'name' => 'b']]],
        ],
    ];

    /**
     * @param array<string, mixed> $operation
     * @param list<string>         $outdated
     */
    #[TestWith([['name' => 'replace-body', 'body' => self::WORDS], []], 'writing on')]
    #[TestWith([['name' => 'replace-body', 'body' => self::BOOKMARK], ['places', 'findings']], 'a bookmark')]
    #[TestWith([['name' => 'replace-body', 'body' => []], ['findings']], 'a text emptied')]
    #[TestWith([['name' => 'rename', 'heading' => 'Other'], ['findings']])]
    #[TestWith([['name' => 'promote'], ['places', 'findings']])]
    #[TestWith([['name' => 'delete'], ['places', 'findings', 'offcuts']])]
    #[TestWith([['name' => 'describe-section', 'aim' => 'To show it'], []])]
    #[TestWith([['name' => 'describe-document', 'title' => 'Other'], ['findings']])]
    public function testAChangeOutdates(array $operation, array $outdated): void
    {
        $before = Services::formats()->read('x.md', "# One\n\n## Two\n\nWords.\n")->document;
        $after = self::done($before, $operation);

        self::assertSame(
            $outdated,
            array_map(
                static fn(Reading $each): string => $each->value,
                Reading::outdatedBy(Change::between($before, $after)),
            ),
        );
    }

    /** The other way round: whatever is not told to be outdated reads as it did. */
    public function testWhatIsNotOutdatedReadsAsItDid(): void
    {
        $before = Services::formats()->read('x.md', "# One\n\nA [link](#two).\n\n## Two\n\nWords.\n\n# Three\n")
            ->document;
        foreach (
            [
                ['name' => 'replace-body', 'body' => self::WORDS],
                ['name' => 'describe-section', 'aim' => 'To show it', 'target' => 5],
                ['name' => 'describe-section', 'marker' => 'bud'],
            ]
            as $operation
        ) {
            $after = self::done($before, $operation);
            $change = Change::between($before, $after);
            self::assertFalse($change->isEmpty());
            self::assertNotContains(Reading::Findings, Reading::outdatedBy($change));
            self::assertEquals(StructureCheck::of($before), StructureCheck::of($after));
        }
    }

    /** @param array<string, mixed> $operation on the second section */
    private static function done(Document $document, array $operation): Document
    {
        $id = $document->outline->idAt(1)->value;

        return Wire::doneAsGiven($document, ['section' => $id, 'sections' => [$id], ...$operation])->document;
    }
}
