<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Text;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;
use Stemmata\Core\Text\PicturesApart;

final class PictureTest extends TestCase
{
    /** The first bytes that the specifications of the formats prescribe. */
    #[TestWith(["\x89PNG\r\n\x1a\n", 'png'], 'PNG (W3C), 5.2')]
    #[TestWith(["\xFF\xD8\xFF\xE0", 'jpeg'], 'ITU-T T.81, B.1.1.3')]
    #[TestWith(['GIF89a', 'gif'], 'GIF89a, 17')]
    #[TestWith(["RIFF\x1a\0\0\0WEBPVP8 ", 'webp'], 'RFC 9649, 2.4')]
    #[TestWith(['<?xml version="1.0"?><!-- a --><svg xmlns="http://www.w3.org/2000/svg"/>', 'svg+xml'])]
    #[TestWith(['<html><svg/></html>', null])]
    #[TestWith(['RIFF....WAVE', null])]
    #[TestWith(['', null])]
    public function testItsKindIsKnownByItsBytes(string $bytes, ?string $kind): void
    {
        self::assertSame($kind, Picture::findIn($bytes)?->kind);
    }

    /** PNG (W3C), 11.2.2: width and height are four bytes each, and may say anything. */
    public function testDotsThatNobodyCanCountAreTooMany(): void
    {
        $picture = new Picture(
            'png',
            "\x89PNG\r\n\x1a\n\0\0\0\x0dIHDR\xff\xff\xff\xff\xff\xff\xff\xff\x08\x06\0\0\0\0\0\0\0",
        );

        self::assertGreaterThan(Picture::MAX_DOTS, $picture->countDots());
    }

    public function testItIsNamedByWhatItIs(): void
    {
        $picture = new Picture('png', "\x89PNG");

        self::assertSame($picture->address(), (new Picture('png', "\x89PNG"))->address());
        self::assertNotSame($picture->hash, (new Picture('gif', "\x89PNG"))->hash);
        self::assertSame($picture->hash, Picture::findHash($picture->address()));
        self::assertSame('image/png', $picture->mediaType());
        self::assertNull(Picture::findHash('picture:' . strtoupper($picture->hash)));
        self::assertNull(Picture::findHash($picture->address() . '0'));
    }

    /** RFC 4648, section 10, for the encoding; RFC 2397 for the address. */
    public function testItIsReadFromAnAddressThatHoldsIt(): void
    {
        $picture = Picture::findInDataAddress('data:image/gif;base64,Zm9vYmE=');

        self::assertSame(['gif', 'fooba'], [$picture?->kind, $picture?->bytes]);
        self::assertSame('data:image/gif;base64,Zm9vYmE=', $picture?->dataAddress());
        self::assertNull(Picture::findInDataAddress('data:image/gif;base64,Zm9vYmF='), 'bits that no writer sets');
        self::assertNull(Picture::findInDataAddress('data:image/gif;base64,'));
        self::assertNull(Picture::findInDataAddress('data:image/bmp;base64,Zm9vYmE='));
    }

    #[TestWith(['data:image/png;base64,iVBORw0KGgo=', true])]
    #[TestWith(['data:image/svg+xml;base64,PHN2Zy8+', true])]
    #[TestWith(['', true])]
    #[TestWith(['figures/lamp.png', true])]
    #[TestWith(['https://example.org/lamp.png', true])]
    #[TestWith(['data:text/html;base64,eA==', false])]
    #[TestWith(['data:image/png,plain', false])]
    #[TestWith([' data:image/png;base64,x', false])]
    #[TestWith(['javascript:alert(1)', false])]
    #[TestWith(['picture:1', false])]
    #[TestWith(['picture:0123456789abcdef0123456789abcdef0123456789abcdef0123456789abcdef', true])]
    public function testWhatMayStandForOne(string $address, bool $isOne): void
    {
        self::assertSame($isOne, Picture::isAddress($address));
    }

    public function testPicturesAreTakenOutOfATextAtAnyDepth(): void
    {
        $address = 'data:image/gif;base64,Zm9vYmE=';
        $figure = new Node('figure', ['src' => $address, 'alt' => 'A lamp'], [Node::text('The lamp')]);
        $outside = new Node('image', ['src' => 'lamp.png', 'alt' => '']);
        $apart = new PicturesApart();
        $blocks = $apart->of([
            new Node('quotation', [], [$figure]),
            Node::paragraph([$outside, new Node('image', ['src' => $address, 'alt' => 'again'])]),
        ]);

        self::assertCount(1, $apart->pictures);
        $kept = array_values($apart->pictures)[0];
        self::assertSame($address, $kept->dataAddress());
        self::assertSame(['src' => $kept->address(), 'alt' => 'A lamp'], $blocks[0]->content[0]->attributes);
        self::assertSame('The lamp', $blocks[0]->plainText());
        self::assertSame($outside, $blocks[1]->content[0]);
        self::assertSame($kept->address(), $blocks[1]->content[1]->textAttribute('src'));
    }
}
