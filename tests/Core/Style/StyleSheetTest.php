<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Style;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\CoreException;
use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Detail\RemoveKind;
use Stemmata\Core\Operation\Detail\ShapeKind;
use Stemmata\Core\Operation\Detail\UseHouseStyle;
use Stemmata\Core\Operation\Detail\UseStyleSheet;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Style\Cascade;
use Stemmata\Core\Style\Contrast;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Style\StyleProperty;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Style\Typeface;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\StoredForm;

final class StyleSheetTest extends TestCase
{
    /** The form in which style sheets are published (docs/style-sheet.md). */
    private const TRIED = '{"name": "Tried", "basedOn": "reading", "kinds": {"heading-2": {"size": "23pt", "colour": "#aa1166", "slant": "italic"}, "body": {"size": "11pt"}}}';

    public function testASheetSaysWhatDiffersAndTheRestIsTheHouseStyles(): void
    {
        $style = self::styled(self::TRIED);
        $usual = self::houseStyle('reading');

        $heading = $style->of(TextKind::Heading, 2);
        self::assertSame([23.0, '#aa1166', true], [$heading->size, $heading->colour, $heading->italic]);
        self::assertSame($usual->of(TextKind::Heading, 2)->weight, $heading->weight);
        self::assertSame(11.0, $style->of(TextKind::Body)->size);
        // What is a share of the body’s goes with it.
        self::assertEqualsWithDelta(9.24, $style->of(TextKind::Footnote)->size, 0.001);
        self::assertEqualsWithDelta(20.9, $style->of(TextKind::Heading, 1)->size, 0.001);
        self::assertEquals($usual->pages, $style->pages);
    }

    /** Whatever is laid over it, a house style that nothing is said of is the house style, to the last property. */
    public function testASheetThatSaysNothingChangesNothing(): void
    {
        foreach (HouseStyles::all() as $style) {
            $same = Cascade::of($style, new StyleSheet($style->label, $style->name));
            foreach ($style->looks as $kind => $look) {
                self::assertSame($look->said(), $same->looks[$kind]->said(), $style->name . ' ' . $kind);
            }
        }
    }

    public function testAKindTakesWhatItDoesNotSayFromTheOneThatItRestsOn(): void
    {
        $style = self::styled(
            '{"name": "x", "kinds": {
                "body": {"face": "Figtree", "colour": "#1f4e5f", "frame": "1pt #000000"},
                "epigraph": {"label": "Epigraph", "restsOn": "quotation", "slant": "italic"},
                "verse": {"label": "Verse", "restsOn": "epigraph", "size": "50%"},
                "heading-3": {"restsOn": "heading-2"},
                "heading-2": {"capitals": "small"}
            }}',
        );

        self::assertSame(Typeface::Figtree, $style->of(TextKind::Caption)->face);
        self::assertSame('#1f4e5f', $style->of(TextKind::Heading, 9)->colour);
        // What is drawn around paragraphs is theirs.
        self::assertNotNull($style->of(TextKind::FirstParagraph)->frame);
        self::assertNull($style->of(TextKind::Heading, 1)->frame);
        $quotation = $style->of(TextKind::Quotation);
        self::assertSame($quotation->indentStart, $style->own['epigraph']->indentStart);
        self::assertSame([true, false], [$style->own['verse']->italic, $quotation->italic]);
        self::assertEqualsWithDelta($quotation->size / 2, $style->own['verse']->size, 0.001);
        self::assertEquals($style->of(TextKind::Heading, 2), $style->of(TextKind::Heading, 3));
    }

    #[
        TestWith([
            '{"name":"x","kinds":{"heading-2":{"size":"23px"}}}',
            '“size” of “heading-2” cannot be “23px”: it is from 4pt to 144pt, or from 10% to 1000%.',
        ]),
    ]
    #[
        TestWith([
            '{"name":"x","kinds":{"heading-2":{"size":23}}}',
            '“size” of “heading-2” cannot be “23”: it is from 4pt to 144pt, or from 10% to 1000%.',
        ]),
    ]
    #[TestWith(['{"name":"x","kinds":{"heading-2":{"bold":true}}}', '“bold” of “heading-2” is no property.'])]
    #[
        TestWith([
            '{"name":"x","kinds":{"body":{"weight":"450"}}}',
            '“weight” of “body” cannot be “450”: it is one of 100, 200, 300, 400, 500, 600, 700, 800, 900.',
        ]),
    ]
    #[
        TestWith([
            '{"name":"x","kinds":{"body":{"colour":"red"}}}',
            '“colour” of “body” cannot be “red”: it is a colour such as #aa1166, or ink.',
        ]),
    ]
    #[TestWith(['{"name":"x","kinds":{"footnote":{"newPage":true}}}', '“newPage” cannot be said of “footnote”.'])]
    #[
        TestWith([
            '{"name":"x","kinds":{"hedding":{"size":"9pt"}}}',
            'There is no kind of text “hedding”; one of your own needs a “label”, and a name of at most 40 small letters, digits and hyphens.',
        ]),
    ]
    #[
        TestWith([
            '{"name":"x","kinds":{"heading-2":{"label":"Mine"}}}',
            '“label” of “heading-2” is what a kind of your own is called, in 1 to 60 characters.',
        ]),
    ]
    #[
        TestWith([
            '{"name":"x","kinds":{"a":{"label":"A","restsOn":"b"},"b":{"label":"B","restsOn":"a"}}}',
            '“restsOn” of “b” names no other kind, or one that rests on it itself.',
        ]),
    ]
    #[
        TestWith([
            '{"name":"x","kinds":{"a":{"label":"A","of":"words","restsOn":"heading-1"}}}',
            '“restsOn” of “a” names no other kind, or one that rests on it itself.',
        ]),
    ]
    #[
        TestWith([
            '{"name":"x","kinds":{"body":{"restsOn":"heading-1"}}}',
            '“restsOn” of “body” names no other kind, or one that rests on it itself.',
        ]),
    ]
    #[
        TestWith([
            '{"name":"x","basedOn":"nobody’s"}',
            'There is no house style “nobody’s” for this style sheet to be based on.',
        ]),
    ]
    #[
        TestWith([
            '{"name":"x","sizes":{}}',
            'A style sheet has no entry “sizes”; it has name, about, basedOn, kinds and pages.',
        ]),
    ]
    #[TestWith(['{"kinds":{}}', 'A style sheet needs a name of at most 80 characters.'])]
    #[TestWith(['[1]', 'This is no style sheet: it is not in the form that docs/style-sheet.md describes.'])]
    #[TestWith(['{"name":"x","kinds":{"body":["11pt"]}}', 'What is said of “body” is not a list of properties.'])]
    #[TestWith(['{"name":"x","pages":{"paper":"a4","margins":{"top":500}}}', 'This page setup cannot be read.'])]
    public function testWhatCannotBeIsRefusedByOneSentenceThatNamesThePlace(string $json, string $sentence): void
    {
        try {
            StyleSheet::fromJson(json_decode($json, true, flags: \JSON_THROW_ON_ERROR));
            self::fail('It was taken.');
        } catch (CoreException $refused) {
            self::assertSame($sentence, $refused->getMessage());
        }
    }

    #[TestWith(['size', '1in', '72pt'])]
    #[TestWith(['size', ' 12.50 PT ', '12.5pt'])]
    #[TestWith(['spaceBefore', '10mm', '28.346pt'])]
    #[TestWith(['spaceBefore', '0', '0pt'])]
    #[TestWith(['spaceBefore', '-1pt', null])]
    #[TestWith(['firstLine', '-2cm', '-56.693pt'])]
    #[TestWith(['lineHeight', 1.5, '1.5'])]
    #[TestWith(['lineHeight', '18pt', '18pt'])]
    #[TestWith(['lineHeight', '18', null])]
    #[TestWith(['weight', 700, '700'])]
    #[TestWith(['slant', 'Italic', 'italic'])]
    #[TestWith(['keepWithNext', true, 'yes'])]
    #[TestWith(['colour', '#AA1166', '#aa1166'])]
    #[TestWith(['colour', '#a16', null])]
    #[TestWith(['ruleAbove', '.5pt   #AA1166', '0.5pt #aa1166'])]
    #[TestWith(['ruleAbove', '0pt #aa1166', null])]
    #[TestWith(['face', 'eb garamond', 'EB Garamond'])]
    #[TestWith(['face', 'Literata"; } body { display: none', null])]
    #[TestWith(['size', '1e3pt', null])]
    #[TestWith(['size', [12], null])]
    public function testValuesHaveOneForm(string $property, mixed $value, ?string $normal): void
    {
        self::assertSame($normal, StyleProperty::from($property)->findNormal($value));
    }

    public function testASheetIsReadAsItWasWritten(): void
    {
        $random = new Randomizer(new Mt19937(11));
        $sheet = new StyleSheet('Random');
        for ($step = 0; $step < 300; ++$step) {
            [$kind, $changes] = self::someChange($random, $sheet);
            $sheet = $sheet->shaped($kind, $changes);
        }
        self::assertGreaterThan(30, count($sheet->kinds));
        self::assertEquals($sheet, StyleSheet::fromJson($sheet->toJson()));
    }

    /** 500 random changes, each undone exactly, whether it was taken or refused. */
    public function testUndoBringsBackTheSheetExactly(): void
    {
        $random = new Randomizer(new Mt19937(2026));
        $document = (new RandomDocuments($random, new CountingIds()))->document();
        $taken = 0;
        for ($step = 0; $step < 500; ++$step) {
            $outcome = self::someOperation($random, $document->setup->sheet())->applyTo($document);
            if ($outcome instanceof Refused) {
                continue;
            }
            ++$taken;
            $change = Change::between($document, $outcome->document);
            self::assertEquals(
                StoredForm::of($document),
                StoredForm::changed(StoredForm::of($outcome->document), $change->inverted()),
                'step ' . $step,
            );
            $document = $outcome->document;
        }
        self::assertGreaterThan(350, $taken);
    }

    public function testKindsOfTheWritersOwnAreKeptWhenTheLookIsAnother(): void
    {
        $document = (new RandomDocuments(new Randomizer(new Mt19937(1)), new CountingIds()))->document();
        $made = self::applied(
            new ShapeKind('epigraph', ['label' => 'Epigraph', 'of' => 'paragraphs', 'slant' => 'italic']),
            $document,
        );
        $other = self::applied(new UseHouseStyle('policy'), $made);

        self::assertSame('policy', $other->setup->style()->name);
        self::assertTrue($other->setup->style()->own['epigraph']->italic);
        self::assertSame(
            'Made the kind “Epigraph”',
            (new ShapeKind('epigraph', ['label' => 'Epigraph']))->describe($document),
        );
        $gone = self::applied(new RemoveKind('epigraph'), $other);
        self::assertSame([], $gone->setup->style()->own);
        // Nothing said is nothing kept: an older database has no sheet either.
        self::assertNull($gone->setup->sheet);
        self::assertInstanceOf(Refused::class, (new RemoveKind('epigraph'))->applyTo($gone));
        self::assertInstanceOf(Refused::class, (new RemoveKind('body'))->applyTo($gone));
    }

    /** What is published for other programs lists what is read, neither more nor less. */
    public function testThePublishedSchemaIsTrue(): void
    {
        $schema = json_decode(
            (string) file_get_contents(dirname(__DIR__, 3) . '/docs/style-sheet.schema.json'),
            true,
            flags: \JSON_THROW_ON_ERROR,
        );
        $at = static function (string ...$path) use ($schema): array {
            $found = $schema;
            foreach ($path as $step) {
                self::assertIsArray($found);
                $found = $found[$step] ?? [];
            }
            self::assertIsArray($found);

            return $found;
        };
        self::assertEqualsCanonicalizing(
            ['label', 'of', 'restsOn', ...array_column(StyleProperty::cases(), 'value')],
            array_keys($at('$defs', 'kind', 'properties')),
        );
        foreach (StyleProperty::cases() as $property) {
            $enum = array_filter($at('$defs', 'kind', 'properties', $property->value, 'enum'), is_string(...));
            self::assertEqualsCanonicalizing($property->words() ?? [], $enum, $property->value);
        }
        self::assertSame(
            array_map(static fn(HouseStyle $style): string => $style->name, HouseStyles::all()),
            $at('properties', 'basedOn', 'enum'),
        );
        $page = (string) file_get_contents(dirname(__DIR__, 3) . '/docs/style-sheet.md');
        foreach (StyleProperty::cases() as $property) {
            self::assertStringContainsString('`' . $property->value . '`', $page);
        }
    }

    /** Text of every shipped house style is read by WCAG 2.2, 1.4.3 (level AA), on white paper. */
    public function testEveryHouseStyleCanBeRead(): void
    {
        // The first two are worked examples of the contrast ratio as WCAG defines it: the greatest and the least.
        self::assertEqualsWithDelta(21, Contrast::between('#000000', '#ffffff'), 0.001);
        self::assertEqualsWithDelta(1, Contrast::between('#777777', '#777777'), 0.001);
        // Known from the working group’s techniques (G18): #767676 on white just passes.
        self::assertGreaterThanOrEqual(4.5, Contrast::between('#767676', '#ffffff'));
        self::assertLessThan(4.5, Contrast::between('#777777', '#ffffff'));
        foreach (HouseStyles::all() as $style) {
            foreach ($style->looks as $kind => $look) {
                self::assertGreaterThanOrEqual(
                    Contrast::TEXT,
                    Contrast::between($look->colour ?? '#000000', $look->ground ?? '#ffffff'),
                    $style->name . ' ' . $kind,
                );
            }
        }
    }

    private static function styled(string $json): HouseStyle
    {
        $sheet = StyleSheet::fromJson(json_decode($json, true, flags: \JSON_THROW_ON_ERROR));

        return Cascade::of(self::houseStyle($sheet->basedOn), $sheet);
    }

    private static function houseStyle(string $name): HouseStyle
    {
        return HouseStyles::find($name) ?? throw new \LogicException($name);
    }

    private static function applied(Operation $operation, Document $document): Document
    {
        $outcome = $operation->applyTo($document);
        self::assertInstanceOf(Applied::class, $outcome);

        return $outcome->document;
    }

    private static function someOperation(Randomizer $random, StyleSheet $sheet): Operation
    {
        $own = array_keys($sheet->own());

        return match ($random->getInt(0, 12)) {
            0 => new UseHouseStyle(HouseStyles::all()[$random->getInt(0, count(HouseStyles::all()) - 1)]->name),
            1 => new UseStyleSheet(self::someSheet($random)),
            2 => new RemoveKind([] === $own ? 'body' : $own[$random->getInt(0, count($own) - 1)]),
            3 => new ShapeKind('heading-' . $random->getInt(1, 9), ['restsOn' => 'heading-' . $random->getInt(1, 9)]),
            default => new ShapeKind(...self::someChange($random, $sheet)),
        };
    }

    private static function someSheet(Randomizer $random): StyleSheet
    {
        $sheet = new StyleSheet('Sheet ' . $random->getInt(1, 9));
        for ($step = 0; $step < 5; ++$step) {
            $sheet = $sheet->shaped(...self::someChange($random, $sheet));
        }

        return $sheet;
    }

    /** @return array{string, array<string, string|null>} */
    private static function someChange(Randomizer $random, StyleSheet $sheet): array
    {
        $own = 'own-' . $random->getInt(1, 9);
        if (0 === $random->getInt(0, 9) && !isset($sheet->kinds[$own])) {
            return [$own, ['label' => 'Own ' . $own, 'of' => $random->getInt(0, 1) ? 'words' : 'paragraphs']];
        }
        $names = [...TextKind::names(), ...array_keys($sheet->own())];
        $kind = $names[$random->getInt(0, count($names) - 1)];
        $properties = StyleSheet::propertiesOf($kind, $sheet->definition($kind));
        $property = $properties[$random->getInt(0, count($properties) - 1)];
        $words = $property->words();
        $value = match (true) {
            0 === $random->getInt(0, 4) => null,
            null !== $words => $words[$random->getInt(0, count($words) - 1)],
            in_array($property, [StyleProperty::Colour, StyleProperty::Ground], true) => sprintf(
                '#%06x',
                $random->getInt(0, 0xffffff),
            ),
            in_array($property, [StyleProperty::RuleAbove, StyleProperty::RuleBelow, StyleProperty::Frame], true)
                => sprintf('%dpt #%06x', $random->getInt(1, 9), $random->getInt(0, 0xffffff)),
            StyleProperty::Size === $property => $random->getInt(0, 1)
                ? $random->getInt(4, 40) . 'pt'
                : $random->getInt(50, 200) . '%',
            default => $random->getInt(4, 20) . 'pt',
        };

        return [$kind, [$property->value => $value]];
    }
}
