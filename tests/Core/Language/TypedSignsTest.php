<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Language;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Language\TypedSigns;

/** Quotation marks after CLDR (from memory), dashes after common practice. */
final class TypedSignsTest extends TestCase
{
    #[TestWith(['en', '“', '”', '‘', '’', '—'])]
    #[TestWith(['en-GB', '“', '”', '‘', '’', '–'])]
    #[TestWith(['de', '„', '“', '‚', '‘', '–'])]
    #[TestWith(['de-AT', '„', '“', '‚', '‘', '–'])]
    #[TestWith(['fr', "«\u{202f}", "\u{202f}»", '“', '”', '—'])]
    #[TestWith(['sv', '”', '”', '’', '’', '–'])]
    #[TestWith(['pl', '„', '”', '«', '»', '—'])]
    #[TestWith(['ru', '«', '»', '„', '“', '—'])]
    #[TestWith(['ja', '「', '」', '『', '』', '—'])]
    #[TestWith(['el', '«', '»', '“', '”', '—'])]
    #[TestWith(['tlh', '“', '”', '‘', '’', '—'], 'ICU does not know it')]
    public function testByLanguage(
        string $language,
        string $open,
        string $close,
        string $innerOpen,
        string $innerClose,
        string $dash,
    ): void {
        $signs = TypedSigns::of($language);

        self::assertSame(
            [$open, $close, $innerOpen, $innerClose, $dash],
            [$signs->open, $signs->close, $signs->innerOpen, $signs->innerClose, $signs->dash],
        );
    }
}
