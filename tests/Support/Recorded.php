<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use PHPUnit\Framework\Assert;

/**
 * What the program did when it was last looked at, a line for each thing it did, kept beside the test. It proves nothing
 * right; it tells what a change has changed. After one that is meant, look at some of the lines that differ, then take
 * them over with ACCEPT=1.
 */
final class Recorded
{
    private const SHOWN = 8;

    /** @param list<string> $lines */
    public static function assertSame(string $file, array $lines): void
    {
        if ('1' === getenv('ACCEPT')) {
            file_put_contents($file, implode("\n", $lines) . "\n");
        }
        $recorded = file($file, \FILE_IGNORE_NEW_LINES) ?: [];
        $differ = array_diff_assoc($lines, $recorded);
        Assert::assertSame(
            [],
            array_slice($differ, 0, self::SHOWN),
            sprintf('%d of %d lines are not as in %s', count($differ), count($lines), basename($file)),
        );
        Assert::assertCount(count($recorded), $lines);
    }

    /** A few letters that stand for much text. */
    public static function digest(mixed $value): string
    {
        return hash('xxh32', is_string($value) ? $value : serialize($value));
    }
}
