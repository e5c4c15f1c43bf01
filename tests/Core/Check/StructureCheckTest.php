<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Check;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Check\Finding;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\TitleBlock;
use Stemmata\Tests\Support\Sketch;

final class StructureCheckTest extends TestCase
{
    /** @param list<string> $expected rule and position */
    #[TestWith(['1 a, 2 b, 3 c', []])]
    #[TestWith(['1 a, 3 b', ['skipped-level 1']])]
    #[TestWith(['2 a, 3 b', ['no-level-1 0']])]
    #[TestWith(['0 , 2 a', ['no-level-1 1']])]
    #[TestWith(['1 a, 2 b, 3 c, 4 d, 5 e, 6 f, 7 g', ['deeper-than-6 6']])]
    public function testFindings(string $outline, array $expected): void
    {
        self::assertSame($expected, self::told(StructureCheck::of(Sketch::document($outline))));
    }

    public function testNoTitleAndAnEmptyHeading(): void
    {
        $document = Sketch::document('1 a')->withTitleBlock(new TitleBlock(' '));
        $document = $document->withSection($document->sectionAt(0)->withHeading(Heading::none()));

        self::assertSame(['no-title 0', 'empty-heading 0'], self::told(StructureCheck::of($document)));
    }

    /**
     * @param list<Finding> $findings
     *
     * @return list<string>
     */
    private static function told(array $findings): array
    {
        return array_map(static fn (Finding $finding): string => $finding->rule.' '.$finding->position, $findings);
    }
}
