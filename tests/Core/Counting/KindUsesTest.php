<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Counting;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Counting\KindUses;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Services;

final class KindUsesTest extends TestCase
{
    public function testEveryKindThatIsThereIsCountedOnce(): void
    {
        $document = Services::formats()->read(
            'kinds.html',
            (string) file_get_contents(dirname(__DIR__, 2) . '/Format/Style/kinds.html'),
        )->document;
        $uses = KindUses::in($document);
        $counts = array_map(static fn(array $use): int => $use['count'], $uses);
        ksort($counts);

        self::assertSame(
            [
                'body' => 1,
                'caption' => 1,
                'code' => 1,
                'epigraph' => 1,
                'first-paragraph' => 10,
                'footnote' => 1,
                'formula' => 1,
                'heading-1' => 1,
                'heading-2' => 2,
                'heading-3' => 1,
                'heading-4' => 1,
                'heading-5' => 1,
                'heading-6' => 1,
                'heading-7' => 1,
                'heading-8' => 1,
                'heading-9' => 1,
                'list-item-1' => 1,
                'list-item-2' => 1,
                'list-item-3' => 1,
                'quotation' => 1,
                'ship' => 1,
                'subtitle' => 1,
                'table-cell' => 2,
                'table-head' => 2,
                'title' => 1,
                'title-line' => 1,
            ],
            array_diff_key($counts, ['contents-title' => 0]),
        );
        self::assertSame('Fidelity 7', $uses['ship']['words']);
        self::assertSame($document->outline->idAt(1)->value, $uses['heading-2']['section']);
    }

    public function testEachPlaceIsWhereItsWordsAre(): void
    {
        $document = Services::formats()->read(
            'kinds.html',
            (string) file_get_contents(dirname(__DIR__, 2) . '/Format/Style/kinds.html'),
        )->document;
        foreach (KindUses::in($document) as $kind => $use) {
            $places = KindUses::places($document, $kind, 100);
            if (in_array($kind, ['title', 'subtitle', 'title-line'], true)) {
                self::assertSame([], $places);
                continue;
            }
            self::assertCount($use['count'], $places, $kind);
            foreach ($places as $place) {
                $section = $document->section(SectionId::fromString($place['section']));
                $content = $place['isInHeading'] ? $section->heading->inline : $section->body->blocks;
                if (!str_starts_with($kind, 'contents-')) {
                    self::assertSame(
                        $place['words'],
                        trim(Node::plainTextOf(Node::cut($content, $place['from'], $place['to']))),
                        $kind,
                    );
                }
            }
        }
        self::assertCount(3, KindUses::places($document, 'first-paragraph', 3));
    }
}
