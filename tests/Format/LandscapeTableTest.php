<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Services;

/** A table that stands on a landscape page does so in web pages and Markdown, by the named page of CSS Paged Media Level 3. */
final class LandscapeTableTest extends TestCase
{
    #[TestWith(['html'])]
    #[TestWith(['md'])]
    public function testItComesBack(string $format): void
    {
        $table = '<table style="color: red; page: landscape"><tr><th>Hour</th></tr><tr><td>6</td></tr></table>';
        $document = Services::formats()->read('a.html', '<h1>A</h1>' . $table . '<table><tr><td>1</td></tr></table>')
            ->document;
        $written = Services::formats()->written($format, $document);
        $tables = array_values(
            array_filter(
                Services::formats()
                    ->read('a.' . $format, $written)
                    ->document->sectionAt(0)->body->blocks,
                static fn(Node $block): bool => 'table' === $block->type,
            ),
        );

        self::assertSame(
            [true, null],
            array_map(static fn(Node $each): mixed => $each->attribute('landscape'), $tables),
        );
        self::assertStringContainsString('page: landscape', $written);
    }
}
