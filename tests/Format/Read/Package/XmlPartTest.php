<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Package;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Format\Read\Package\XmlPart;
use Stemmata\Format\Shared\FormatException;

final class XmlPartTest extends TestCase
{
    private const DAMAGED = 'The file is damaged: its text cannot be made out.';

    /** @return iterable<string, array{string}> */
    public static function sound(): iterable
    {
        yield 'an element' => ['<a/>'];
        yield 'one after its declaration, comments and instructions' => [
            "<?xml version='1.0'?>\n<!-- <!DOCTYPE a> --><?do <!DOCTYPE a> ?>\n<!----><a/>",
        ];
        yield 'one after a comment' => ['<!-- x --><a/>'];
        yield 'one after an instruction' => ['<?x?><a/>'];
        yield 'signs of a declaration in the text' => ['<a><![CDATA[<!DOCTYPE b>]]><!-- <!DOCTYPE c> --></a>'];
        yield 'a sign alone at the end of the text' => ['<a>&lt;</a>'];
    }

    #[DataProvider('sound')]
    public function testIsRead(string $xml): void
    {
        self::assertSame('a', XmlPart::small($xml)->documentElement?->localName);
    }

    /** @return iterable<string, array{string}> */
    public static function refused(): iterable
    {
        yield 'nothing' => [''];
        yield 'blanks' => [" \n"];
        yield 'words' => ['words'];
        yield 'an element that does not end' => ['<a>'];
        yield 'a document type' => ['<!DOCTYPE a><a/>'];
        yield 'a document type behind others' => ['<?xml version="1.0"?><!-- x --><?x y?> <!DOCTYPE a><a/>'];
        yield 'a comment that does not end' => ['<!-- <a/>'];
        yield 'an instruction that does not end' => ['<? <a/>'];
        yield 'a document type in another encoding' => [
            "\xFF\xFE" . mb_convert_encoding('<?xml version="1.0"?><!DOCTYPE a><a/>', 'UTF-16LE'),
        ];
    }

    #[DataProvider('refused')]
    public function testIsRefused(string $xml): void
    {
        $this->expectExceptionMessage(self::DAMAGED);
        XmlPart::small($xml);
    }

    public function testAPartThatIsHeldWholeHasALimit(): void
    {
        $fits = static fn(int $more): string => '<a>' . str_repeat(' ', 9 * 1024 * 1024 - 7 + $more) . '</a>';
        self::assertNotNull(XmlPart::small($fits(0))->documentElement);
        $this->expectExceptionMessage('The file unpacks to more than 9 megabytes');
        XmlPart::small($fits(1));
    }

    public function testChildrenComeOneByOneWithWhatIsWantedBefore(): void
    {
        $xml =
            '<x><head><meta>m</meta></head><style>s</style><body><p>1<p>inner</p></p>between<q><style>t</style></q>' .
            '<body>2</body></body><p>after</p></x>';

        self::assertSame(['style s', 'p 1inner', 'q t', 'body 2'], self::children($xml, 'body', ['style', 'other']));
        self::assertSame([], self::children('<x><body/></x>', 'body'));
        self::assertSame(['p 1'], self::children('<x><body><p>1</p></body><broken', 'body'));
    }

    /** @return iterable<string, array{string}> */
    public static function withoutChildren(): iterable
    {
        yield 'nothing of the name' => ['<x><p/></x>'];
        yield 'a document type' => ['<!DOCTYPE x><x><body><p/></body></x>'];
        yield 'an end that is missing' => ['<x><body><p/>'];
        yield 'a child that does not end' => ['<x><body><p><q></p></body></x>'];
        yield 'nothing' => [''];
    }

    #[DataProvider('withoutChildren')]
    public function testAPartThatDoesNotHoldThemIsRefused(string $xml): void
    {
        $this->expectExceptionMessage(self::DAMAGED);
        self::children($xml, 'body');
    }

    /**
     * @param list<string> $alsoWanted
     *
     * @return list<string>
     */
    private static function children(string $xml, string $within, array $alsoWanted = []): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'stemmata-xml');
        file_put_contents($file, $xml);
        $before = libxml_use_internal_errors();
        try {
            $children = [];
            foreach (XmlPart::childrenOf($file, $within, $alsoWanted) as $child) {
                $children[] = $child->localName . ' ' . $child->textContent;
            }
        } catch (FormatException $refusal) {
            self::assertSame([], libxml_get_errors());
            throw $refusal;
        } finally {
            unlink($file);
            self::assertSame($before, libxml_use_internal_errors());
        }

        return $children;
    }
}
