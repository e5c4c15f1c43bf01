<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Document;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\SectionNames;
use Stemmata\Core\Document\Setup;
use Stemmata\Tests\Support\Services;

final class SectionNamesTest extends TestCase
{
    public function testAHeadingWithoutWordsIsCalledByTheNumberThatStandsForIt(): void
    {
        $document = Services::formats()->read(
            'x.md',
            "Before.\n\n# Chapter 1\n\nA.\n\n# Chapter 2\n\nB.\n\n# Chapter 3: Gaps\n\nC.\n",
        )->document;

        self::assertTrue($document->setup->numbering->namesSections());
        self::assertSame(['Opening', 'Chapter 1', 'Chapter 2', null], self::names($document));
    }

    public function testANumberThatOnlyCountsIsNoName(): void
    {
        $document = Services::formats()->read('x.md', "# One\n\n#\n\nText.\n")->document;

        self::assertSame([null, 'No heading yet'], self::names($document->withSetup(Setup::plain())));
    }

    /** @return list<string|null> in order; null for a section that its heading names */
    private static function names(Document $document): array
    {
        $names = SectionNames::of($document);

        return array_map(static fn($id): ?string => $names[$id->value] ?? null, $document->outline->ids());
    }
}
