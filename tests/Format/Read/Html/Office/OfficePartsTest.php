<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Html\Office;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\Html\HtmlReader;
use Stemmata\Tests\Support\CountingIds;

/** What lies on the clipboard of office programs, written after what several of them put there, with words of our own. */
final class OfficePartsTest extends TestCase
{
    private const CLIPBOARD = <<<'HTML'
    <html xmlns:x="urn:office"><head><style>p.Item {margin:0}</style></head><body lang=EN-GB>
    <!--StartFragment-->
    <p class=Body>Before<a style='x-footnote-id:ftn1' href="#_ftn1" name="_ftnref1" title=""><span><span><![if !supportFootnotes]>[1]<![endif]></span></span></a> the list.</p>
    <p class=Item style='margin-left:36.0pt;text-indent:-18.0pt;x-list:l0 level1 lfo1'><![if !supportLists]><span style='font-family:Symbol'><span style='x-list:Ignore'>·<span style='font:7.0pt "Serif"'>&nbsp;&nbsp;&nbsp;&nbsp; </span></span></span><![endif]>first point<x:p></x:p></p>
    <p class=Item style='x-list:l0 level2 lfo1'><![if !supportLists]><span><span style='x-list:Ignore'>o<span>&nbsp;&nbsp; </span></span></span><![endif]>under it</p>
    <p class=Item style='x-list:l0 level1 lfo1'><![if !supportLists]><span><span style='x-list:Ignore'>·<span>&nbsp;&nbsp; </span></span></span><![endif]>second <b>point</b></p>
    <p class=Body>Between.</p>
    <p class=Item style='x-list:l1 level1 lfo2'><![if !supportLists]><span><span style='x-list:Ignore'>3.<span>&nbsp;&nbsp; </span></span></span><![endif]>step</p>
    <p class=Item style='x-list:l1 level2 lfo2'><![if !supportLists]><span><span style='x-list:Ignore'>a)<span>&nbsp;&nbsp; </span></span></span><![endif]>part</p>
    <!--EndFragment-->
    <div style='x-element:footnote-list'><![if !supportFootnotes]><br clear=all><hr align=left size=1 width="33%"><![endif]>
    <div style='x-element:footnote' id=ftn1><p class=Note><a href="#_ftnref1" name="_ftn1" title=""><span>[1]</span></a> Colza, mostly.</p></div>
    </div></body></html>
    HTML;

    public function testItemsAreListsAndNotesAreNotes(): void
    {
        $blocks = $this->blocks(self::CLIPBOARD);

        self::assertSame(
            [
                'paragraph: Before the list. {Colza, mostly.}',
                'bulletList: [first point [under it]] [second point]',
                'paragraph: Between.',
                'orderedList 3: [step [part]]',
            ],
            array_map(self::shown(...), $blocks),
        );
    }

    public function testContentsThatLeadToHeadingsAndBackAreNoNotes(): void
    {
        $blocks = $this->blocks(
            '<p><a name="toc1" href="#s1">The coast</a></p><h2><a name="s1" href="#toc1">The coast</a></h2><p>Words.</p>',
        );

        self::assertStringContainsString('The coast', implode(' ', array_map(self::shown(...), $blocks)));
    }

    /** @return list<Node> of the opening, or of the first section */
    private function blocks(string $html): array
    {
        return (new HtmlReader(new CountingIds()))->read($html)->document->sectionAt(0)->body->blocks;
    }

    private static function shown(Node $block): string
    {
        $start = $block->attribute('start');

        return $block->type . (is_int($start) ? ' ' . $start : '') . ': ' . self::words($block);
    }

    private static function words(Node $node): string
    {
        $words = '';
        $notes = '';
        foreach ($node->content as $part) {
            if ('footnote' === $part->type) {
                $notes .= ' {' . trim($part->plainText()) . '}';
            } elseif ('listItem' === $part->type) {
                $words .= ('' === $words ? '' : ' ') . '[' . self::words($part) . ']';
            } else {
                $words .= $part->isText() ? $part->text : ('' === $words ? '' : ' ') . self::words($part);
            }
        }

        return trim($words) . $notes;
    }
}
