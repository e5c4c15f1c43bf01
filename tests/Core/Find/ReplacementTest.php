<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Find;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Find\Field;
use Stemmata\Core\Find\Finder;
use Stemmata\Core\Find\Line;
use Stemmata\Core\Find\QueryForm;
use Stemmata\Core\Find\Replacement;
use Stemmata\Core\Text\BodySchema;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

final class ReplacementTest extends TestCase
{
    /** @param array<string, mixed> $query */
    #[TestWith(['A lamp.', ['words' => 'lamp'], 'light', 'A light.'])]
    #[TestWith(['A **la**mp is lit.', ['words' => 'lamp'], 'light', 'A **light** is lit.'])]
    #[TestWith(['A *lamp is* lit.', ['words' => 'amp is l', 'mode' => 'phrase'], 'amb h', 'A <em>lamb h</em>it.'])]
    #[TestWith(['[lamp](https://example.org)', ['words' => 'LAMP'], 'oil', '[oil](<https://example.org>)'])]
    #[TestWith(['lamp, lamp and lamp', ['words' => 'lamp'], '', ',  and&#32;'])]
    #[TestWith(['Zoë’s lamp', ['words' => "zoe's lamp", 'mode' => 'phrase'], 'Ada’s oil', 'Ada’s oil'])]
    #[
        TestWith([
            '6:05 and 18:30',
            ['words' => '(\d+):(\d+)', 'mode' => 'pattern'],
            '$2/$1 ($0)',
            '05/6 (6:05) and 30/18 (18:30)',
        ]),
    ]
    #[TestWith(['lamp', ['words' => 'lamp'], '$1', '\$1'])]
    #[TestWith(["- lamp\n- x lamp", ['words' => 'lamp'], 'oil', "- oil\n- x oil"])]
    #[TestWith(['🜂 lamp 🜂', ['words' => 'lamp'], '🜄', '🜂 🜄 🜂'])]
    public function testOtherWordsStandInPlace(string $text, array $query, string $words, string $after): void
    {
        $document = Services::formats()->read('x.md', $text)->document;
        $section = $document->sectionAt(0);
        $read = QueryForm::read($query);
        $changed = (new Replacement($read, $words))->in($section, (new Finder($read))->in($section));
        $written = Services::formats()->written('md', $document->withSection($changed));

        self::assertSame($after, trim((string) preg_replace('/\A---.*?---\n/s', '', $written)));
    }

    public function testWhatIsReplacedInRandomTextsIsWhatStandsInTheirLines(): void
    {
        $changed = 0;
        for ($seed = 1, $runs = Dose::of(600, 200); $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $document = (new RandomDocuments($random, new CountingIds()))->document();
            $words = ['a', 'e', 'the', 'lamp', ' ', 'o'][$random->getInt(0, 5)];
            $new = ['', 'X', 'a longer run of words', 'é'][$random->getInt(0, 3)];
            if (' ' === $words) {
                continue;
            }
            $query = QueryForm::read([
                'words' => $words,
                'mode' => 'phrase',
                'caseMatters' => true,
                'diacriticsMatter' => true,
            ]);
            foreach ($document->sections() as $section) {
                $hits = (new Finder($query))->in($section);
                $after = (new Replacement($query, $new))->in($section, $hits);
                (new BodySchema())->check($after->body->blocks);
                self::assertSame(
                    array_values(
                        array_filter(
                            array_map(
                                static fn(string $line): string => trim(str_replace($words, $new, $line)),
                                self::words($section),
                            ),
                        ),
                    ),
                    self::words($after),
                    "seed $seed",
                );
                $changed += count($hits);
            }
        }
        self::assertGreaterThan(500, $changed);
    }

    public function testReplacingIsAnOperationOnTheSectionsThatAreNamed(): void
    {
        $document = Sketch::document('1 a, 1 b, 1 c');
        $operation = [
            'name' => 'replace-found',
            'query' => ['words' => 'text'],
            'with' => 'Word',
            'sections' => ['a', 'c'],
        ];
        $done = Wire::done($document, $operation);
        $texts = array_map(static fn(int $at): string => $done->document->sectionAt($at)->body->plainText(), [0, 1, 2]);

        self::assertSame(['Word of a.', 'Text of b.', 'Word of c.'], $texts);
        self::assertSame('2 places were changed.', $done->notices[0]->sentence);
        $one = ['query' => ['words' => 't'], 'with' => 's', 'sections' => ['a'], 'only' => 1];
        self::assertSame(
            'Texs of a.',
            Wire::done($document, [...$operation, ...$one])
                ->document->sectionAt(0)
                ->body->plainText(),
        );
    }

    /** @param array<string, mixed> $query */
    #[TestWith([['words' => 'two words'], 'Several words in any order cannot be replaced; look for them exactly so.'])]
    #[TestWith([['words' => 'nowhere'], 'What was looked for is not there any more.'])]
    public function testWhatCannotBeReplaced(array $query, string $sentence): void
    {
        $refused = Wire::refused(Sketch::document('1 a'), [
            'name' => 'replace-found',
            'query' => $query,
            'with' => 'x',
            'sections' => ['a'],
        ]);

        self::assertSame($sentence, $refused->sentence);
    }

    /** @return list<string> */
    private static function words(Section $section): array
    {
        return array_values(
            array_filter(
                array_map(static fn(Line $line): string => trim($line->words), Line::of($section, Field::cases())),
            ),
        );
    }
}
