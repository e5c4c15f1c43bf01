<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Package;

use PHPUnit\Framework\TestCase;
use Stemmata\Format\Read\Package\ZipPackage;
use Stemmata\Tests\Support\Foreign;
use Stemmata\Tests\Support\Packed;
use Stemmata\Tests\Support\TemporaryFolder;

/** Packages as they are opened: their parts, what is refused of them, and that nothing of them stays behind. */
final class ZipPackageTest extends TestCase
{
    public function testPartsAreFoundByNameAsBytesAndAsFiles(): void
    {
        $package = ZipPackage::open(Packed::zip(['a/b.xml' => '<b/>', 'empty' => '']));

        self::assertTrue($package->has('a/b.xml'));
        self::assertFalse($package->has('b.xml'));
        self::assertSame('<b/>', $package->find('a/b.xml'));
        self::assertSame('', $package->find('empty'));
        self::assertNull($package->find('b.xml'));
        self::assertNull($package->find(''));
        self::assertStringEqualsFile($package->fileOf('a/b.xml'), '<b/>');
        $this->expectExceptionMessage('The file is not complete: its part “b.xml” is missing.');
        $package->fileOf('b.xml');
    }

    /** In a program of its own, whose folder for temporary files nobody else uses. */
    public function testTheFilesOfAPackageGoWithIt(): void
    {
        $folder = TemporaryFolder::made();
        $counts = Foreign::run(
            ['env', 'TMPDIR=' . $folder, 'php'],
            <<<'PHP'
            <?php
            require 'vendor/autoload.php';
            $count = static fn(): int => count(glob(sys_get_temp_dir() . '/*'));
            $bytes = Stemmata\Tests\Support\Packed::zip(['a' => 'a']);
            $package = Stemmata\Format\Read\Package\ZipPackage::open($bytes);
            $package->fileOf('a');
            echo $count();
            unset($package);
            echo $count();
            try {
                Stemmata\Format\Read\Package\ZipPackage::open('no archive');
            } catch (Stemmata\Format\Shared\FormatException) {
                echo $count();
            }
            PHP
            ,
        );

        self::assertSame('200', $counts);
    }

    public function testMorePartsThanAnyTextHasAreRefused(): void
    {
        $parts = array_fill_keys(array_map(static fn(int $number): string => 'p' . $number, range(1, 20_000)), '');
        self::assertTrue(ZipPackage::open(Packed::zip($parts))->has('p20000'));
        $this->expectExceptionMessage(
            'The file unpacks to more than 400 megabytes, the most that can be read at once.',
        );
        ZipPackage::open(Packed::zip([...$parts, 'one more' => '']));
    }

    public function testAPartLargerThanAnyTextIsRefusedWhenItIsUnpacked(): void
    {
        $megabyte = str_repeat(' ', 1024 * 1024);
        $package = ZipPackage::open(
            Packed::zip(['fits' => str_repeat($megabyte, 80), 'large' => str_repeat($megabyte, 80) . ' ']),
        );
        self::assertSame(80 * 1024 * 1024, strlen((string) $package->find('fits')));
        $this->expectExceptionMessage('The file unpacks to more than 80 megabytes, the most that can be read at once.');
        $package->find('large');
    }

    public function testPartsThatAreUnpackedAgainAndAgainCountTogether(): void
    {
        $package = ZipPackage::open(Packed::zip(['part' => str_repeat(' ', 70 * 1024 * 1024)]));
        for ($time = 1; $time <= 5; ++$time) {
            $package->fileOf('part');
        }
        $this->expectExceptionMessage(
            'The file unpacks to more than 400 megabytes, the most that can be read at once.',
        );
        $package->fileOf('part');
    }
}
