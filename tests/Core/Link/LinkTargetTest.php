<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Link;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\PlacesLedTo;

/** What may be linked to, after RFC 3986; addresses that run as a program may not. */
final class LinkTargetTest extends TestCase
{
    #[TestWith(['https://example.org/a?b=c#d'])]
    #[TestWith(['HTTP://EXAMPLE.ORG/'])]
    #[TestWith(['mailto:keeper@example.org'])]
    #[TestWith(['tel:+44123'])]
    #[TestWith(['doi:10.1000/182'])]
    #[TestWith(['urn:isbn:9780000000002'])]
    #[TestWith(['file:///home/keeper/log.pdf'])]
    #[TestWith(['log of 1866.pdf'])]
    #[TestWith(['../logs/1866.pdf'])]
    #[TestWith(['folder/name:with-colon.html'])]
    #[TestWith(['?page=1:2'])]
    #[TestWith(['#sec-logs'])]
    #[TestWith(['section:abcdefghijkl'])]
    #[TestWith(['bookmark:abcdefghijkl'])]
    public function testAnAddress(string $target): void
    {
        self::assertTrue(LinkTarget::isValid($target));
    }

    #[TestWith([''])]
    #[TestWith(['javascript:alert(1)'])]
    #[TestWith(['JavaScript:alert(1)'])]
    #[TestWith(['  javascript:alert(1)'])]
    #[TestWith(["java\tscript:alert(1)"])]
    #[TestWith(["java\nscript:alert(1)"])]
    #[TestWith(["\x01javascript:alert(1)"])]
    #[TestWith(['vbscript:x'])]
    #[TestWith(['data:text/html,<script>alert(1)</script>'])]
    #[TestWith(['blob:https://example.org/x'])]
    #[TestWith(['section:short'])]
    #[TestWith(["https://example.org/\xff"])]
    public function testNoAddress(string $target): void
    {
        self::assertFalse(LinkTarget::isValid($target));
    }

    public function testAnAddressHasAnEnd(): void
    {
        self::assertTrue(LinkTarget::isValid('https://example.org/' . str_repeat('x', 8000)));
        self::assertFalse(LinkTarget::isValid('https://example.org/' . str_repeat('x', 9000)));
    }

    public function testPlacesWithinTheDocumentAreNamedByTheirIds(): void
    {
        $link = Node::text('see', [new Mark('strong'), Mark::link('section:abcdefghijkl')]);
        $reference = new Node('crossReference', ['href' => 'bookmark:bbbbbbbbbbbb', 'shows' => 'number']);

        self::assertSame(['abcdefghijkl'], PlacesLedTo::idsOf($link));
        self::assertSame(['bbbbbbbbbbbb'], PlacesLedTo::idsOf($reference));
        self::assertSame([], PlacesLedTo::idsOf(Node::text('see', [Mark::link('https://example.org/')])));

        $led = PlacesLedTo::led($link, static fn(string $target): string => strtr($target, ['abc' => 'xyz']));
        self::assertSame(['xyzdefghijkl'], PlacesLedTo::idsOf($led));
        self::assertNotNull($led->findMark('strong'), 'other marks stay');
        self::assertSame($link->text, $led->text);
        self::assertSame(
            'section:bbbbbbbbbbbb',
            PlacesLedTo::led($reference, static fn(): string => 'section:bbbbbbbbbbbb')->textAttribute('href'),
        );
    }
}
