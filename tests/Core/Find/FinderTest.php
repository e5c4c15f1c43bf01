<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Find;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Find\Field;
use Stemmata\Core\Find\Finder;
use Stemmata\Core\Find\FoldedWords;
use Stemmata\Core\Find\Folding;
use Stemmata\Core\Find\Hit;
use Stemmata\Core\Find\InvalidQuery;
use Stemmata\Core\Find\Line;
use Stemmata\Core\Find\Query;
use Stemmata\Core\Find\QueryForm;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\RandomOperations;
use Stemmata\Tests\Support\Services;

final class FinderTest extends TestCase
{
    private const TEXT = <<<'MD'
    # The *old* lamp[^1]

    The lamp of Zoë’s café — a lamp, **la**mps and a LAMP.[^2] Twice lit.

    - one lamp
    - two

    | lamp | oil |
    |------|-----|
    | 3    | la mp |

    [^1]: Of the lamp.
    [^2]: No lamp here.
    MD;

    /** @return iterable<string, array{array<string, mixed>, list<string>}> query; what is found, with its field */
    public static function queries(): iterable
    {
        yield 'words, whatever their capitals' => [
            ['words' => 'lamp'],
            [
                'heading lamp',
                'note lamp',
                'text lamp',
                'text lamp',
                'text lamp',
                'text LAMP',
                'note lamp',
                'text lamp',
                'text lamp',
            ],
        ];
        yield 'capitals matter' => [['words' => 'LAMP', 'caseMatters' => true], ['text LAMP']];
        yield 'across marks' => [['words' => 'a lamp, lamps', 'mode' => 'phrase'], ['text a lamp, lamps']];
        yield 'without diacritics' => [['words' => 'zoe cafe'], ['text Zoë', 'text café']];
        yield 'diacritics matter' => [['words' => 'zoe', 'diacriticsMatter' => true], []];
        yield 'and are there' => [['words' => 'ZOË', 'diacriticsMatter' => true], ['text Zoë']];
        yield 'as a keyboard writes them' => [['words' => "Zoe's", 'mode' => 'phrase'], ['text Zoë’s']];
        yield 'in any order, in one line' => [['words' => 'lit zoe'], ['text Zoë', 'text lit']];
        yield 'not in one line' => [['words' => 'oil zoe'], []];
        yield 'whole words' => [['words' => 'twic lamp', 'wholeWords' => true], []];
        yield 'whole words that are there' => [['words' => 'lamps', 'wholeWords' => true], ['text lamps']];
        yield 'exactly so' => [['words' => 'lamp of', 'mode' => 'phrase'], ['text lamp of']];
        yield 'in notes alone' => [['words' => 'lamp', 'fields' => ['note']], ['note lamp', 'note lamp']];
        yield 'in headings alone' => [['words' => 'lamp', 'fields' => ['heading']], ['heading lamp']];
        yield 'in the aim' => [['words' => 'light'], ['aim light']];
        yield 'a pattern' => [
            ['words' => 'l.mps?\b', 'mode' => 'pattern', 'fields' => ['note']],
            ['note lamp', 'note lamp'],
        ];
        yield 'a pattern with capitals' => [
            ['words' => '[A-Z]{4}', 'mode' => 'pattern', 'caseMatters' => true],
            ['text LAMP'],
        ];
        yield 'a pattern over the line' => [['words' => '^one', 'mode' => 'pattern'], ['text one']];
    }

    /**
     * @param array<string, mixed> $query
     * @param list<string>         $found
     */
    #[DataProvider('queries')]
    public function testWhatIsFound(array $query, array $found): void
    {
        $read = QueryForm::read($query);

        self::assertSame(
            $found,
            array_map(
                static fn(Hit $hit): string => $hit->field->value . ' ' . $hit->words,
                (new Finder($read))->in(self::section()),
            ),
        );
        foreach ([] === $found ? [] : FoldedWords::neededBy($read) as $needed) {
            self::assertStringContainsString($needed, FoldedWords::of(self::section()), 'the index leads there');
        }
    }

    public function testPlacesAreTheEditors(): void
    {
        $section = self::section();
        foreach ((new Finder(new Query('lamp')))->in($section) as $hit) {
            if (Field::Aim === $hit->field) {
                continue;
            }
            $content = $hit->isInHeading ? $section->heading->inline : $section->body->blocks;
            self::assertSame($hit->words, trim(Node::plainTextOf(Node::cut($content, $hit->from, $hit->to))));
        }
    }

    #[TestWith(['', 'words', 'There is nothing to look for.'])]
    #[TestWith(['  ', 'words', 'There is nothing to look for.'])]
    #[TestWith(['a(', 'pattern', 'That is no regular expression: something in it does not fit together.'])]
    #[TestWith(['a*', 'pattern', 'That expression would be found between any two letters; it must need at least one.'])]
    public function testWhatCannotBeLookedFor(string $words, string $mode, string $sentence): void
    {
        $this->expectExceptionMessage($sentence);
        QueryForm::read(['words' => $words, 'mode' => $mode]);
    }

    public function testAPatternWithoutEndIsGivenUp(): void
    {
        $this->expectException(InvalidQuery::class);
        (new Finder(QueryForm::read(['words' => '^(a+)+$', 'mode' => 'pattern', 'fields' => ['aim']])))->in(
            self::section()->withAim(str_repeat('a', 60) . '!'),
        );
    }

    /** A little too long on each line is far too long on all of them. */
    public function testAPatternThatIsSlowOnEachOfManyLinesIsGivenUp(): void
    {
        $finder = new Finder(QueryForm::read(['words' => '(a+)+$', 'mode' => 'pattern', 'fields' => ['aim']]));
        $section = self::section()->withAim(str_repeat('a', 15) . '!');
        $began = hrtime(true);
        try {
            for ($line = 0; $line < 200_000; ++$line) {
                $finder->in($section);
            }
            self::fail('it takes minutes');
        } catch (InvalidQuery) {
            self::assertLessThan(60, (hrtime(true) - $began) / 1e9);
        }
    }

    /** Unicode Standard Annex 15: a letter with marks is, taken apart, the letter and its marks. */
    #[TestWith(['Ångström ÇÉÑ', 'angstrom cen'])]
    #[TestWith(['Łódź øl', 'lodz ol'])]
    #[TestWith(['ΆΈ Ёлка', 'αε елка'])]
    #[TestWith(["so\u{00A0}“da” – da", 'so "da" - da'])]
    public function testFolding(string $text, string $folded): void
    {
        self::assertSame($folded, Folding::folded($text));
        self::assertSame(mb_strlen($text), mb_strlen($folded), 'one for one');
    }

    private static function section(): Section
    {
        return Services::formats()->read('x.md', self::TEXT)->document->sectionAt(0)->withAim('Let there be light.');
    }

    /** Canonically equivalent texts are found by each other's words (Unicode Standard, 3.7), where diacritics do not matter. */
    #[TestWith(["\u{C5}ngstr\u{F6}m", 'angstrom'])]
    #[TestWith(["\u{3B1}\u{301}\u{3BB}\u{3C6}\u{3B1}", 'αλφα'])]
    #[TestWith(["и\u{306}од", 'йод'])]
    #[TestWith(["a\u{308}rger", 'Ärger'])]
    public function testLettersThatAreTakenApartAreFound(string $text, string $words): void
    {
        $section = self::section()->withAim('Of ' . $text . '.');

        $hits = (new Finder(QueryForm::read(['words' => $words, 'fields' => ['aim']])))->in($section);
        self::assertSame([$text], array_column($hits, 'words'));
        $exact = ['words' => $text, 'fields' => ['aim'], 'caseMatters' => true, 'diacriticsMatter' => true];
        self::assertCount(1, (new Finder(QueryForm::read($exact)))->in($section));
    }

    /** Blanks between the words are one, however they are written; the index leads there as well. */
    #[TestWith(['a lamp  of oil', 'lamp of'])]
    #[TestWith(["a lamp\u{A0}of oil", ' lamp  of '])]
    #[TestWith(["a Lamp \t of oil", "lamp\u{A0}of"])]
    public function testAPhraseIsFoundWhateverTheBlanks(string $text, string $words): void
    {
        $section = self::section()->withAim($text);
        $read = QueryForm::read(['words' => $words, 'mode' => 'phrase', 'fields' => ['aim']]);

        self::assertCount(1, (new Finder($read))->in($section));
        self::assertStringContainsString(FoldedWords::neededBy($read)[0] ?? '-', FoldedWords::of($section));
    }

    public function testWhatIsFoundInRandomTextsIsWhatAPlainSearchFinds(): void
    {
        $found = 0;
        for ($seed = 1, $runs = Dose::of(300, 100); $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $documents = new RandomDocuments($random, $ids);
            $operations = new RandomOperations($random, $documents, $ids);
            $document = $documents->document();
            for ($step = 0; $step < 20; ++$step) {
                [, $operation] = $operations->on($document);
                $outcome = $operation->applyTo($document);
                $document = $outcome instanceof Applied ? $outcome->document : $document;
            }
            foreach (['keeper', 'NAIVE', 'дом', 'g', '灯台', 'le k'] as $words) {
                $query = QueryForm::read(['words' => $words, 'mode' => 'phrase']);
                foreach ($document->sections() as $section) {
                    $plain = 0;
                    foreach (Line::of($section, Field::cases()) as $line) {
                        $plain += mb_substr_count(self::bare($line->words), self::bare($words));
                    }
                    self::assertCount($plain, (new Finder($query))->in($section), "seed $seed, “{$words}”");
                    $found += $plain;
                }
            }
        }
        self::assertGreaterThan(1000, $found);
    }

    private static function bare(string $words): string
    {
        $apart = \Normalizer::normalize($words, \Normalizer::FORM_D);

        return mb_strtolower((string) preg_replace('/\p{Mn}/u', '', is_string($apart) ? $apart : $words));
    }
}
