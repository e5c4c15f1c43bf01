<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Tests\Support\Examples;
use Stemmata\Tests\Support\Reading;
use Stemmata\Tests\Support\Services;

/**
 * Files at the edges of each rule, and what they are read as, whole. A folder is a package, of which only what matters here
 * is written down. After a change that is meant, look at what differs and take it over with ACCEPT=1.
 */
final class ExamplesTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        foreach (Examples::names() as $name) {
            yield $name => [$name];
        }
    }

    #[DataProvider('files')]
    public function testIsReadAsItWasLookedAt(string $name): void
    {
        $read = Reading::of(Services::formats()->readAsIs($name, Examples::bytes($name)));
        if ('1' === getenv('ACCEPT')) {
            file_put_contents(Examples::FOLDER . $name . '.read', $read);
        }

        self::assertStringEqualsFile(Examples::FOLDER . $name . '.read', $read);
    }
}
