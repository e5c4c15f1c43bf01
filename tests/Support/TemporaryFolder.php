<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Symfony\Component\Filesystem\Filesystem;

/** A folder for the files of one test, gone when the tests end. */
final class TemporaryFolder
{
    public static function made(): string
    {
        $folder = sys_get_temp_dir() . '/stemmata-test-' . bin2hex(random_bytes(6));
        mkdir($folder);
        register_shutdown_function(static fn() => (new Filesystem())->remove($folder));

        return $folder;
    }
}
