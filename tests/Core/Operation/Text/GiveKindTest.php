<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Text;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Text\GiveKind;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Services;

final class GiveKindTest extends TestCase
{
    private const TEXT = <<<'HTML'
    <h1>Of <span class="kind-ship">Brindle</span></h1><p class="kind-verse">One</p><p class="kind-verse">Two</p><p>Plain</p>
    <ul><li><p class="kind-verse">First</p><p class="kind-verse">Second</p></li></ul>
    <h1>Two</h1><blockquote><p class="kind-verse">Within</p><p>Said</p></blockquote><p>Of the <span class="kind-ship">Auk</span> and <em><span class="kind-ship">the </span></em><span class="kind-ship">Tern</span>.</p>
    HTML;

    /** @return iterable<string, array{string, string, string, string}> from, to, what stands there then, what is told */
    public static function exchanges(): iterable
    {
        $ships = 'h(Of ship(Brindle))';
        $first = 'verse(One) verse(Two) p(Plain) bulletList(listItem(verse(First) verse(Second)))';
        $second = 'quotation(verse(Within) p(Said)) p(Of the ship(Auk) and ship(the )ship(Tern).)';
        yield 'another kind' => [
            'verse',
            'motto',
            $ships . ' ' . strtr($first, ['verse' => 'motto']) . ' h(Two) ' . strtr($second, ['verse' => 'motto']),
            '5 places were changed.',
        ];
        yield 'none' => [
            'verse',
            'body',
            $ships . ' ' . strtr($first, ['verse' => 'p']) . ' h(Two) ' . strtr($second, ['verse' => 'p']),
            '5 places were changed.',
        ];
        yield 'quotations' => [
            'verse',
            'quotation',
            $ships .
            ' quotation(p(One) p(Two)) p(Plain) bulletList(listItem(p(First) quotation(p(Second)))) h(Two) ' .
            strtr($second, ['verse' => 'p']),
            '5 places were changed.',
        ];
        yield 'from quotations' => [
            'quotation',
            'motto',
            $ships . ' ' . $first . ' h(Two) verse(Within) motto(Said) ' . substr($second, 33),
            'One place was changed.',
        ];
        yield 'words' => [
            'ship',
            'term',
            strtr($ships, ['ship' => 'term']) . ' ' . $first . ' h(Two) ' . strtr($second, ['ship' => 'term']),
            '3 places were changed.',
        ];
        yield 'words of none' => [
            'ship',
            'body',
            'h(Of Brindle) ' . $first . ' h(Two) quotation(verse(Within) p(Said)) p(Of the Auk and the Tern.)',
            '3 places were changed.',
        ];
    }

    #[DataProvider('exchanges')]
    public function testAllOfAKindBecomesOfAnother(string $from, string $to, string $text, string $told): void
    {
        $document = self::document();
        $outcome = (new GiveKind($from, $to))->applyTo($document);
        self::assertInstanceOf(Applied::class, $outcome);

        self::assertSame($text, self::shown($outcome->document));
        self::assertSame($told, $outcome->notices[0]->sentence);
        foreach ($outcome->document->sections() as $section) {
            self::assertEquals($section->body, Body::fromJson($section->body->toJson()));
        }
    }

    public function testWhatIsNoneIsRefused(): void
    {
        $document = self::document();
        foreach (
            [
                ['verse', 'ship'],
                ['ship', 'quotation'],
                ['body', 'verse'],
                ['heading-1', 'verse'],
                ['verse', 'heading-1'],
                ['verse', 'verse'],
                ['astray', 'verse'],
                ['motto', 'verse'],
            ]
            as [$from, $to]
        ) {
            self::assertInstanceOf(Refused::class, (new GiveKind($from, $to))->applyTo($document), "{$from} to {$to}");
        }
        self::assertSame(
            'Made all of “Verse” into “Block quotation”',
            (new GiveKind('verse', 'quotation'))->describe($document),
        );
        self::assertSame(
            'Took the kind “Ship” from all its words',
            (new GiveKind('ship', 'body'))->describe($document),
        );
    }

    private static function document(): Document
    {
        $document = Services::formats()->read('text.html', self::TEXT)->document;
        $kinds = ['verse' => 'paragraphs', 'motto' => 'paragraphs', 'ship' => 'words', 'term' => 'words'];
        $sheet = StyleSheet::fromJson([
            'name' => 'Own',
            'kinds' => array_combine(
                array_keys($kinds),
                array_map(
                    static fn(string $name, string $of): array => ['label' => ucfirst($name), 'of' => $of],
                    array_keys($kinds),
                    $kinds,
                ),
            ),
        ]);

        return $document->withSetup($document->setup->withSheet($sheet));
    }

    private static function shown(Document $document): string
    {
        $shown = [];
        foreach ($document->sections() as $section) {
            $shown[] = 'h(' . implode('', array_map(self::part(...), $section->heading->inline)) . ')';
            $shown = [...$shown, ...array_map(self::part(...), $section->body->blocks)];
        }

        return implode(' ', $shown);
    }

    private static function part(Node $node): string
    {
        if ($node->isText()) {
            $kind = $node->findMark('kind')?->attribute('name');

            return is_string($kind) ? $kind . '(' . $node->text . ')' : $node->text;
        }
        $parts = array_map(self::part(...), $node->content);

        return 'paragraph' === $node->type
            ? ($node->kind() ?? 'p') . '(' . implode('', $parts) . ')'
            : $node->type . '(' . implode(' ', $parts) . ')';
    }
}
