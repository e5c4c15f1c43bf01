<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Language;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Language\Language;

final class LanguageTest extends TestCase
{
    /** @return iterable<array{string}> the examples of RFC 5646, appendix A, that are well formed and not irregular */
    public static function tags(): iterable
    {
        $tags =
            'de fr ja zh-Hant zh-Hans sr-Cyrl sr-Latn zh-cmn-Hans-CN cmn-Hans-CN zh-yue-HK yue-HK zh-Hans-CN ' .
            'sr-Latn-RS sl-rozaj sl-rozaj-biske sl-nedis de-CH-1901 sl-IT-nedis hy-Latn-IT-arevela de-DE en-US es-419 ' .
            'de-CH-x-phonebk az-Arab-x-AZE-derbend x-whatever qaa-Qaaa-QM-x-southern de-Qaaa sr-Latn-QM sr-Qaaa-RS ' .
            'en-US-u-islamcal zh-CN-a-myext-x-private en-a-myext-b-another';
        foreach (explode(' ', $tags) as $tag) {
            yield $tag => [$tag];
        }
    }

    #[DataProvider('tags')]
    public function testExamplesOfTheStandardAreTags(string $tag): void
    {
        self::assertTrue(Language::isTag($tag));
    }

    public function testWhatTheStandardCallsInvalidIsNone(): void
    {
        // RFC 5646, appendix A: two regions, and a singleton where a language must stand.
        self::assertFalse(Language::isTag('de-419-DE'));
        self::assertFalse(Language::isTag('a-DE'));
        foreach (['', 'e', 'english language', 'de_AT', "en\n", 'en-', '<b>'] as $words) {
            self::assertFalse(Language::isTag($words), $words);
        }
    }

    public function testATagThatIsTooLongIsNone(): void
    {
        self::assertTrue(Language::isTag('en' . str_repeat('-x-abcdefgh', 1)));
        self::assertFalse(Language::isTag('en-x' . str_repeat('-abcdefgh', 20)));
    }

    /** ICU refuses some extensions, and names longer than 157 letters; the language, script and region it always knows. */
    #[TestWith(['en-u-nu-zzzz', 'en', 'en'])]
    #[TestWith(['de-AT-u-co-phonebk', 'de-AT', 'de'])]
    #[TestWith(['zh-Hant-TW', 'zh-Hant-TW', 'zh'])]
    #[TestWith(['x-whatever', 'en', 'und'])]
    #[TestWith(['abcdefgh', 'en', 'und'])]
    #[TestWith(['', 'en', 'und'])]
    public function testWhatIcuAndTheEngineAreTold(string $tag, string $locale, string $primary): void
    {
        self::assertSame($locale, Language::locale($tag));
        self::assertSame($primary, Language::primary($tag));
        self::assertSame(
            1 === preg_match('/-([A-Z]{2})\z/', $locale, $region) ? $region[1] : null,
            Language::findRegion($tag),
        );
        self::assertSame(
            '1,5',
            strtr(
                (new \NumberFormatter(Language::locale($tag), \NumberFormatter::DECIMAL))->format(1.5) ?: '',
                '.',
                ',',
            ),
        );
    }

    public function testScriptsSayWhichWayATextRunsBeforeLanguagesDo(): void
    {
        foreach (['ar', 'he', 'fa-IR', 'ur', 'az-Arab', 'AR-eg'] as $tag) {
            self::assertSame('rtl', Language::direction($tag), $tag);
        }
        foreach (['en', 'de-AT', 'az', 'ur-Latn', 'ja', ''] as $tag) {
            self::assertSame('ltr', Language::direction($tag), $tag);
        }
    }
}
