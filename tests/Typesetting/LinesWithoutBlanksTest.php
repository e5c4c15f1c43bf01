<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\PrintedPages;
use Stemmata\Typesetting\Engine\OneShotEngine;
use Stemmata\Typesetting\Markup\TypstValue;
use Stemmata\Typesetting\PdfStandard;
use Stemmata\Typesetting\Typesetter;

/** Lines end where they may by UAX 14, in scripts that are written without blanks as well; compared with ICU. */
final class LinesWithoutBlanksTest extends TestCase
{
    /** Universal Declaration of Human Rights, article 1, in each language (from memory). */
    #[
        TestWith([
            'ja',
            'すべての人間は、生まれながらにして自由であり、かつ、尊厳と権利とについて平等である。人間は、理性と良心とを授けられており、互いに同胞の精神をもって行動しなければならない。',
        ]),
    ]
    #[TestWith(['zh', '人人生而自由，在尊严和权利上一律平等。他们赋有理性和良心，并应以兄弟关系的精神相对待。'])]
    #[
        TestWith([
            'ar',
            'يولد جميع الناس أحرارا متساوين في الكرامة والحقوق وقد وهبوا عقلا وضميرا وعليهم أن يعامل بعضهم بعضا بروح الإخاء',
        ]),
    ]
    public function testLinesEndWhereIcuSaysThatTheyMay(string $language, string $article): void
    {
        $text = implode(' ', array_fill(0, 2, str_repeat($article, 4)));
        $document = Document::of(new TitleBlock('T', language: $language), [
            [
                Level::One,
                new Section(
                    (new CountingIds())->next(),
                    Heading::plain('T'),
                    Body::of([Node::paragraph([Node::text($text)])]),
                ),
            ],
        ]);
        $typeset = (new Typesetter(new OneShotEngine()))->typeset($document, 'lines', [], PdfStandard::Tagged);
        $letters = static fn(string $words): string => (string) preg_replace('/[^\p{L}\p{M}\p{P}]+/u', '', $words);
        $whole = $letters($text);
        $places = \IntlBreakIterator::createLineInstance($language);
        self::assertNotNull($places);
        $places->setText($text);
        $ends = [];
        $passed = '';
        foreach ($places->getPartsIterator() as $part) {
            self::assertIsString($part);
            $passed .= $letters($part);
            $ends[strlen($passed)] = true;
        }
        $at = 0;
        $lines = 0;
        $wrong = [];
        foreach (explode("\n", implode("\n", PrintedPages::of($typeset->pdf)->texts())) as $line) {
            $line = $letters($line);
            if ('' === $line || !str_starts_with(substr($whole, $at), $line)) {
                continue;
            }
            $at += strlen($line);
            ++$lines;
            if (!isset($ends[$at])) {
                $wrong[] = $line;
            }
        }
        self::assertSame(strlen($whole), $at, 'all of the text was found in its order');
        self::assertGreaterThan(3, $lines);
        self::assertSame([], $wrong);
    }

    /**
     * Of these poppler gives some letters twice, so that lines cannot be compared; the engine, which knows their words,
     * is left to break them.
     */
    #[
        TestWith([
            'มนุษย์ทั้งหลายเกิดมามีอิสระและเสมอภาคกันในเกียรติศักดิ์และสิทธิต่างมีเหตุผลและมโนธรรมและควรปฏิบัติต่อกันด้วยเจตนารมณ์แห่งภราดรภาพ',
        ]),
    ]
    #[TestWith(['មនុស្សទាំងអស់កើតមកមានសេរីភាពនិងសមភាពក្នុងផ្នែកសេចក្ដីថ្លៃថ្នូរនិងសិទ្ធិ។មនុស្សមានវិចារណញ្ញាណនិងសតិសម្បជញ្ញៈជាប់ពីកំណើត'])]
    public function testWordsWithoutBlanksAreLeftToTheEngine(string $article): void
    {
        self::assertSame(
            '#' . TypstValue::string(str_repeat($article, 3)) . ';',
            TypstValue::words(str_repeat($article, 3)),
        );
    }

    public function testWhatHasNoPlaceForALineToEndIsBrokenAnywhere(): void
    {
        $word = str_repeat('lamp', 20);
        self::assertSame(80, preg_match_all('/#"[lamp]";/', TypstValue::words('人人' . $word . '生而')));
    }
}
