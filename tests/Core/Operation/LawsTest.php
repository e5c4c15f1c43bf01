<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation;

use PHPUnit\Framework\Attributes\TestDox;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Refused;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\RandomOperations;
use Stemmata\Tests\Support\StoredForm;

/**
 * What holds for every operation, whatever the document and whatever came before. That the document given is left as it
 * was needs no test: every class it is made of is readonly.
 *
 * @phpstan-import-type Stored from StoredForm
 */
final class LawsTest extends TestCase
{
    private const STEPS = 200;

    /** Operations that say of themselves that they write, copy or take away characters. */
    private const WRITING = [
        'rename',
        'replace-body',
        'merge-text',
        'replace-found',
        'note-idea',
        'reword-idea',
        'duplicate',
        'insert',
        'describe-section',
        'describe-document',
        'generate-contents',
        'refresh-contents',
        'set-up-contents',
        'change-contents-line',
        'add-contents-line',
    ];

    #[TestDox('Conservation, all or nothing, exact undo and identity hold over 500 random runs of 200 steps')]
    public function testLaws(): void
    {
        $applied = 0;
        $refused = 0;
        $runs = Dose::of(500, 150);
        for ($seed = 1; $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $documents = new RandomDocuments($random, $ids);
            $operations = new RandomOperations($random, $documents, $ids);
            $document = $documents->document();
            $here = StoredForm::of($document);
            for ($step = 0; $step < self::STEPS; ++$step) {
                [$name, $operation] = $operations->on($document);
                $outcome = $operation->applyTo($document);
                $at = sprintf('seed %d, step %d, %s', $seed, $step, $name);
                if ($outcome instanceof Refused) {
                    self::assertMatchesRegularExpression('/^[\p{Lu}“].*\.$/su', $outcome->sentence, $at);
                    ++$refused;
                    continue;
                }
                $there = StoredForm::of($outcome->document);
                $this->assertUndoIsExact($here, $there, Change::between($document, $outcome->document), $at);
                $this->assertNothingIsLost($name, $document, $outcome->document, $at);
                // A document of hundreds of sections would only slow the run down.
                if ($outcome->document->outline->count() <= 40) {
                    [$document, $here] = [$outcome->document, $there];
                }
                ++$applied;
            }
        }
        self::assertGreaterThan(($runs * self::STEPS) / 3, $applied);
        self::assertGreaterThan(($runs * self::STEPS) / 20, $refused);
    }

    /**
     * @param Stored $here
     * @param Stored $there
     */
    private function assertUndoIsExact(array $here, array $there, Change $change, string $at): void
    {
        self::assertTrue(
            $there === StoredForm::changed($here, $change),
            'The change does not lead to the new state: ' . $at,
        );
        self::assertTrue($here === StoredForm::changed($there, $change->inverted()), 'Undo is not exact: ' . $at);
    }

    private function assertNothingIsLost(string $name, Document $before, Document $after, string $at): void
    {
        if ('discard' === $name) {
            return;
        }
        $kept = StoredForm::idsKept($after);
        self::assertSame(count($kept), count(array_unique($kept)), 'A section stands twice: ' . $at);
        $gone = array_diff(StoredForm::idsKept($before), $kept);
        self::assertLessThanOrEqual(
            in_array(
                $name,
                ['join', 'bring-back', 'make-heading', 'make-headings', 'split-by-rule', 'take-as-title'],
                true,
            )
                ? 1
                : 0,
            count($gone),
            'A section lost its id: ' . $at,
        );
        if ('split-by-rule' === $name) {
            // Parts without a heading of their own are given one; beyond that, every character is where it was.
            $after = self::counts($after);
            foreach (self::counts($before) as $letter => $count) {
                self::assertGreaterThanOrEqual($count, $after[$letter] ?? 0, 'Characters were lost: ' . $at);
            }
        } elseif (!in_array($name, self::WRITING, true)) {
            self::assertSame(
                StoredForm::letters($before),
                StoredForm::letters($after),
                'Characters were lost or doubled: ' . $at,
            );
        }
    }

    /** @return array<array-key, int> */
    private static function counts(Document $document): array
    {
        return array_count_values(mb_str_split(StoredForm::letters($document)));
    }
}
