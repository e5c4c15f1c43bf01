<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Filler;
use Stemmata\Core\Document\References;
use Stemmata\Core\Text\Caption;
use Stemmata\Storage\Section\CountedForm;
use Stemmata\Tests\Support\Services;

/** What is counted of a section comes back from beside its text. */
final class CountedFormTest extends TestCase
{
    private const FILLER = '<p>' . Filler::PARAGRAPHS[0] . '</p>';
    private const TABLE = '<table><caption>Oil</caption><tr><td>1</td></tr></table>';

    /** @param list<string> $captions */
    #[TestWith(['<p>Words.</p>', 0, [], 0])]
    #[TestWith(['<p>Words.</p>' . self::TABLE, 0, ['Oil'], 0])]
    #[TestWith([self::FILLER . self::FILLER, 0, [], 2])]
    #[TestWith([self::TABLE . self::TABLE . self::FILLER, 0, ['Oil', 'Oil'], 1])]
    public function testComesBack(string $html, int $notes, array $captions, int $fillers): void
    {
        self::assertCounted(
            References::in(Services::formats()->read('a.html', $html)->document->sectionAt(0)),
            $notes,
            $captions,
            $fillers,
        );
    }

    public function testNotesAloneAreCounted(): void
    {
        $section = Services::formats()
            ->read('a.md', "# A\n\na[^1] b[^2]\n\n[^1]: x\n[^2]: y\n")
            ->document->sectionAt(0);
        self::assertCounted(References::in($section), 2, [], 0);
    }

    public function testWhatNobodyIsToldOfComesBack(): void
    {
        $picture = '<img src="https://example.org/a.png" alt="">';
        $html = '<figure>' . $picture . '<figcaption>Oil</figcaption></figure><p>In a line: ' . $picture . '</p>';
        $references = References::in(
            Services::formats()
                ->read('a.html', $html . self::TABLE)
                ->document->sectionAt(0),
        );
        $read = CountedForm::read(CountedForm::written($references));

        self::assertEquals($references->captions, $read['captions']);
        self::assertSame([false, true], array_map(static fn(Caption $each): bool => $each->isTold, $read['captions']));
        self::assertSame(1, $read['untold']);
    }

    public function testNothingTakesNoRoom(): void
    {
        $section = Services::formats()->read('a.md', "# A\n\na\n")->document->sectionAt(0);
        self::assertSame('', CountedForm::written(References::in($section)));
    }

    #[TestWith([''])]
    #[TestWith(['{'])]
    #[TestWith(['["1", [["figure"], 3, ["picture", "a", []], ["figure", 1, []], ["figure", "a", "b"]], "x"]'])]
    public function testWhatCannotBeReadIsNothing(string $json): void
    {
        self::assertSame(CountedForm::NONE, CountedForm::read($json));
    }

    /** @param list<string> $captions */
    private static function assertCounted(References $references, int $notes, array $captions, int $fillers): void
    {
        $read = CountedForm::read(CountedForm::written($references));
        self::assertSame(
            [$notes, $captions, $fillers],
            [
                $read['notes'],
                array_map(static fn(Caption $caption): string => $caption->words, $read['captions']),
                $read['fillers'],
            ],
        );
        self::assertEquals($references->captions, $read['captions']);
    }
}
