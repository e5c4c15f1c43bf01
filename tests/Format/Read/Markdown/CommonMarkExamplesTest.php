<?php

declare(strict_types=1);

namespace Stemmata\Tests\Format\Read\Markdown;

use PHPUnit\Framework\TestCase;
use Stemmata\Format\Read\Html\HtmlReader;
use Stemmata\Format\Shared\FormatException;
use Stemmata\Tests\Support\Services;

/**
 * Every example of CommonMark 0.31.2 (npm commonmark-spec): no word of the reference HTML is lost, doubled or moved.
 */
final class CommonMarkExamplesTest extends TestCase
{
    public function testTheTextIsThatOfTheReferenceHtml(): void
    {
        $examples = json_decode(
            (string) shell_exec(
                'node -e ' . escapeshellarg('process.stdout.write(JSON.stringify(require("commonmark-spec").tests))'),
            ),
            true,
            16,
            \JSON_THROW_ON_ERROR,
        );
        self::assertIsArray($examples);
        $differing = [];
        foreach ($examples as $example) {
            self::assertIsArray($example);
            [$markdown, $html] = [$example['markdown'] ?? '', $example['html'] ?? ''];
            self::assertIsString($markdown);
            self::assertIsString($html);
            $ours = $this->read(strtr($markdown, ['→' => "\t"]));
            if ($ours !== self::textOf(strtr($html, ['→' => "\t"]))) {
                $differing[] = sprintf(
                    "%s: %s\n ours %s\n theirs %s",
                    json_encode($example['number'] ?? 0),
                    json_encode($markdown),
                    $ours,
                    self::textOf($html),
                );
            }
        }

        self::assertCount(652, $examples);
        self::assertSame([], $differing);
    }

    private function read(string $markdown): string
    {
        try {
            $document = Services::formats()->readAsIs('x.md', $markdown)->document;
        } catch (FormatException) {
            return '';
        }
        $text = '';
        foreach ($document->sections() as $section) {
            $text .= $section->heading->plainText() . $section->body->plainText();
        }

        return self::letters($text);
    }

    private static function textOf(string $html): string
    {
        $page = HtmlReader::page('<div>' . $html . '</div>');
        foreach (['script', 'style'] as $name) {
            foreach (iterator_to_array($page->getElementsByTagName($name)) as $element) {
                $element->parentNode?->removeChild($element);
            }
        }

        return self::letters($page->textContent);
    }

    /** Blanks are a matter of layout, and the marks of CDATA are no text. */
    private static function letters(string $text): string
    {
        return (string) preg_replace('/[\s\x{00A0}]+|<!\[CDATA\[|\]\]>/u', '', $text);
    }
}
