<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

/** The files of tests/Format/examples. */
final class Examples
{
    public const FOLDER = __DIR__ . '/../Format/examples/';

    /** @return list<string> */
    public static function names(): array
    {
        $names = array_map(basename(...), glob(self::FOLDER . '*') ?: []);

        return array_values(array_filter($names, static fn(string $name): bool => !str_ends_with($name, '.read')));
    }

    public static function bytes(string $name): string
    {
        return is_dir(self::FOLDER . $name) ? self::packed($name) : self::part($name);
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
