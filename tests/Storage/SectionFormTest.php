<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\InvalidBody;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Storage\Section\SectionForm;

/** How a section goes into the database: nothing that could not be read again, and what cannot be read is kept. */
final class SectionFormTest extends TestCase
{
    public function testATextThatCouldNotBeReadAgainIsNotWritten(): void
    {
        $this->expectException(InvalidBody::class);
        SectionForm::checkedBody(self::section(Heading::none(), Body::of([new Node('tableRow')])));
    }

    public function testNorIsAHeadingOfParts(): void
    {
        $this->expectException(InvalidBody::class);
        SectionForm::checkedHeading(self::section(Heading::ofInline([Node::paragraph([])]), Body::empty()));
    }

    public function testNorALongOne(): void
    {
        $fits = str_repeat('a', Heading::MAX_BYTES);
        self::assertSame('', SectionForm::checkedHeading(self::section(Heading::plain($fits), Body::empty())));
        $this->expectExceptionMessage('A heading holds at most 8,192 bytes; this one is a text.');
        SectionForm::checkedHeading(self::section(Heading::ofInline([Node::text($fits . 'a')]), Body::empty()));
    }

    public function testWhatIsWrittenIsReadAgain(): void
    {
        $heading = Heading::ofInline([Node::text('Of '), Node::text('lamps', [new Mark('emphasis')])]);
        $body = Body::of([Node::paragraph([Node::text('Words.')])]);
        $section = self::section($heading, $body);

        self::assertEquals($heading, SectionForm::readHeading('Of lamps', SectionForm::checkedHeading($section)));
        self::assertEquals($body, SectionForm::readBody(SectionForm::checkedBody($section)));
        self::assertEquals(
            Heading::ofInline([Node::text("Of\u{A0}lamps")]),
            SectionForm::readHeading("Of\u{A0}lamps", ''),
        );
        self::assertEquals(Heading::none(), SectionForm::readHeading('', ''));
    }

    public function testWhatCannotBeReadIsKeptToTheLetter(): void
    {
        self::assertEquals(Heading::plain('Of lamps'), SectionForm::readHeading('Of lamps', '{'));
        self::assertEquals(Heading::plain('Of lamps'), SectionForm::readHeading('Of lamps', '[{"type":"script"}]'));
        foreach (['[{"type":"paragraph"', '[{"type":"script"}]', 'words'] as $damaged) {
            $body = SectionForm::readBody($damaged);
            self::assertSame($damaged, $body->findUnreadable());
            self::assertSame($damaged, SectionForm::checkedBody(self::section(Heading::none(), $body)));
        }
    }

    private static function section(Heading $heading, Body $body): Section
    {
        return new Section(SectionId::fromString('aaaaaaaaaaaa'), $heading, $body);
    }
}
