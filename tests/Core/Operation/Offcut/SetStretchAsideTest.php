<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Offcut;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Offcut\BringBack;
use Stemmata\Core\Operation\Offcut\SetStretchAside;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\StoredForm;
use Stemmata\Tests\Support\Wire;

final class SetStretchAsideTest extends TestCase
{
    public function testAWordThatWasCutThroughIsOneAgain(): void
    {
        $document = Sketch::document('1 a, 2 b, 1 c');
        $text = static fn(string $words): Body => Body::of([Node::paragraph([Node::text($words)])]);
        $document = $document->withSection(
            $document->sectionAt(0)->withBody($text('for sixpence')),
            $document->sectionAt(2)->withBody($text('more words')),
        );
        $aside = Wire::done($document, [
            'name' => 'set-stretch-aside',
            'sections' => ['a', 'b', 'c'],
            'from' => 7,
            'to' => 3,
        ])->document;

        self::assertSame('for sire words', $aside->sectionAt(0)->body->plainText());
        self::assertSame(1, $aside->outline->count());
        self::assertCount(1, $aside->changedOffcuts);
        $back = (new BringBack(SectionId::fromString((string) array_key_first($aside->changedOffcuts))))->applyTo(
            $aside,
        );
        self::assertInstanceOf(Applied::class, $back);
        self::assertSame(StoredForm::letters($document), StoredForm::letters($back->document));
        self::assertEquals($document->sectionAt(0), $back->document->sectionAt(0));
        self::assertEquals($document->sectionAt(2), $back->document->sectionAt(2));
    }

    public function testBackIsBackFromAnySelection(): void
    {
        $backs = 0;
        for ($seed = 1, $runs = Dose::of(2_000, 400); $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $document = (new RandomDocuments($random, $ids))->document();
            $count = $document->outline->count();
            if ($count < 2) {
                continue;
            }
            $from = $random->getInt(0, $count - 2);
            $to = $random->getInt($from + 1, $count - 1);
            $aside = (new SetStretchAside(
                $document->outline->slice($from, $to + 1)->ids(),
                $random->getInt(0, $document->sectionAt($from)->body->size()),
                $random->getInt(0, $document->sectionAt($to)->body->size()),
                $ids,
            ))->applyTo($document);
            self::assertInstanceOf(Applied::class, $aside, (string) $seed);
            $offcut = SectionId::fromString((string) array_key_first($aside->document->changedOffcuts));
            $back = (new BringBack($offcut))->applyTo($aside->document);
            // Where the same words stand twice, or none, the place cannot be told, and that is said.
            if (!($back instanceof Applied)) {
                continue;
            }
            ++$backs;
            self::assertEquals($document->outline, $back->document->outline, (string) $seed);
            self::assertSame(self::words($document), self::words($back->document), (string) $seed);
            self::assertSame([], array_filter($back->document->changedOffcuts), (string) $seed);
        }
        self::assertGreaterThan($runs * 0.7, $backs);
    }

    /** @return list<string> */
    private static function words(Document $document): array
    {
        return array_map(
            static fn($section): string => $section->heading->plainText() . '|' . $section->body->plainText(),
            array_values(iterator_to_array($document->sections())),
        );
    }
}
