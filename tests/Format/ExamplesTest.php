<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\Reading;
use Stemmata\Tests\Support\Services;

/**
 * Files at the edges of each rule, and what they are read as, whole. A folder is a package, of which only what matters here
 * is written down. After a change that is meant, look at what differs and take it over with ACCEPT=1.
 */
final class ExamplesTest extends TestCase
{
    private const FOLDER = __DIR__ . '/examples/';

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        foreach (glob(self::FOLDER . '*') ?: [] as $file) {
            if (!str_ends_with($file, '.read')) {
                yield basename($file) => [basename($file)];
            }
        }
    }

    #[DataProvider('files')]
    public function testIsReadAsItWasLookedAt(string $name): void
    {
        $bytes = is_dir(self::FOLDER . $name) ? self::packed($name) : self::part($name);
        $read = Reading::of(Services::formats()->readAsIs($name, $bytes));
        if ('1' === getenv('ACCEPT')) {
            file_put_contents(self::FOLDER . $name . '.read', $read);
        }

        self::assertStringEqualsFile(self::FOLDER . $name . '.read', $read);
    }

    private static function packed(string $name): string
    {
        $part = static fn(string $part): string => self::part("$name/$part.xml");

        if (str_ends_with($name, '.epub')) {
            return Packed::epub(
                ['one.xhtml' => $part('one'), 'two.xhtml' => $part('two'), 'three.xhtml' => $part('three')],
                'The lamp',
                $part('toc'),
                ['book/a.png' => Packed::PNG],
            );
        }

        return str_ends_with($name, '.docx')
            ? Packed::docx(
                $part('body'),
                $part('styles'),
                $part('numbering'),
                $part('footnotes'),
                ['web' => 'https://example.org/page', 'bad' => 'javascript:alert(1)'],
                ['png' => Packed::PNG],
            )
            : Packed::odt($part('body'), $part('styles'), $part('common'), ['Pictures/a.png' => Packed::PNG]);
    }

    private static function part(string $name): string
    {
        return is_file(self::FOLDER . $name) ? (string) file_get_contents(self::FOLDER . $name) : '';
    }
}
