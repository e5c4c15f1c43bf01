<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Document\TitleBlock;
use Symfony\Component\Yaml\Exception\ParseException;
use Symfony\Component\Yaml\Yaml;

/**
 * The lines between `---` at the head of a Markdown file that say title, subtitle, author, date and language
 * (common practice).
 */
final readonly class FrontMatter
{
    /** @param list<string> $more what else the title page says, such as an abstract, in Markdown */
    private function __construct(public TitleBlock $titleBlock, public string $text, public array $more = []) {}

    /** What looks like front matter but is no list of names and values is text. */
    public static function takenOff(string $markdown): self
    {
        if (
            1 !== preg_match('/\A---[ \t]*\R(.*?)\R(?:---|\.\.\.)[ \t]*(?:\R|\z)/s', $markdown, $match) ||
            strlen($match[1]) > 65536
        ) {
            return new self(new TitleBlock(), $markdown);
        }
        try {
            $fields = Yaml::parse($match[1]);
        } catch (ParseException) {
            $fields = null;
        }
        if (!is_array($fields) || array_is_list($fields)) {
            return new self(new TitleBlock(), $markdown);
        }
        $text = static fn(string $name): string => is_scalar($fields[$name] ?? null)
            ? trim((string) $fields[$name])
            : '';

        return new self(
            new TitleBlock(
                $text('title'),
                $text('subtitle'),
                $text('author'),
                language: $text('lang') ?: 'en',
                date: self::dated($fields['date'] ?? null),
            ),
            substr($markdown, strlen($match[0])),
            '' === $text('abstract') ? [] : [$text('abstract')],
        );
    }

    /** A date written plainly is read as a point in time. */
    private static function dated(mixed $date): string
    {
        return match (true) {
            is_int($date) && ($date > 9999 || $date < -9999) => gmdate('Y-m-d', $date),
            is_scalar($date) => trim((string) $date),
            default => '',
        };
    }

    public static function of(TitleBlock $block): string
    {
        $fields = array_filter(
            [
                'title' => $block->title,
                'subtitle' => $block->subtitle,
                'author' => $block->author,
                'date' => $block->date,
                'lang' => $block->language,
            ],
            static fn(string $value): bool => '' !== $value,
        );

        return "---\n" . Yaml::dump($fields) . "---\n\n";
    }
}
