<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Tests\Support\Services;

/** Which files are read, and what the others are told. */
final class FormatsTest extends TestCase
{
    public function testAllEndingsThatCanBeRead(): void
    {
        $endings = Services::formats()->readableEndings();
        sort($endings);
        self::assertSame(
            explode(' ', 'docm docx dotx epub htm html markdown md odt opml ott text txt xhtml'),
            $endings,
        );
    }

    #[
        TestWith([
            'lamps.xyz',
            'words',
            '“lamps.xyz” is not in a format that Stemmata reads; it reads files that end in ',
        ]),
    ]
    #[TestWith(['lamps', 'words', '“lamps” is not in a format that Stemmata reads; it reads files that end in '])]
    #[TestWith(['lamps.md', '', 'The file is empty'])]
    public function testWhatCannotBeReadIsNamed(string $name, string $bytes, string $sentence): void
    {
        $this->expectException(FormatException::class);
        $this->expectExceptionMessage($sentence);
        Services::formats()->read($name, $bytes);
    }

    public function testADocumentWithoutATitleIsKnownByItsFile(): void
    {
        $title = static fn(string $name, string $bytes): string => Services::formats()->read($name, $bytes)->document
            ->titleBlock->title;
        self::assertSame('The old lamps', $title('The_old_lamps.md', "# One\n"));
        self::assertSame('Lamps', $title('x.md', "---\ntitle: Lamps\n---\n\n# One\n"));
    }
}
