<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Reading;
use Stemmata\Tests\Support\Services;

/**
 * Files at the edges of each rule, and what they are read as, whole. After a change that is meant, look at what differs and
 * take it over with ACCEPT=1.
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
        $bytes = (string) file_get_contents(self::FOLDER . $name);
        $read = Reading::of(Services::formats()->readAsIs($name, $bytes));
        if ('1' === getenv('ACCEPT')) {
            file_put_contents(self::FOLDER . $name . '.read', $read);
        }

        self::assertStringEqualsFile(self::FOLDER . $name . '.read', $read);
    }
}
