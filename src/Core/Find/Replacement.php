<?php

declare(strict_types=1);

namespace Stemmata\Core\Find;

use Stemmata\Core\Document\Section;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Utf16;

/** Other words in place of what was found. They bear the marks of the first letter that they take the place of. */
final readonly class Replacement
{
    public function __construct(private Query $query, private string $words) {}

    /** @param list<Hit> $hits of this section */
    public function in(Section $section, array $hits): Section
    {
        $edits = ['heading' => [], 'body' => [], 'aim' => []];
        foreach ($hits as $hit) {
            $place = match (true) {
                $hit->isInHeading => 'heading',
                Field::Aim === $hit->field => 'aim',
                default => 'body',
            };
            $edits[$place][] = [$hit->from, $hit->to, $this->wordsFor($hit)];
        }
        $section = $section
            ->withHeading(Heading::ofInline(self::edited($section->heading->inline, $edits['heading'])))
            ->withBody(Body::of(self::edited($section->body->blocks, $edits['body'])));

        return [] === $edits['aim'] ? $section : $section->withAim(self::cutAndPut($section->aim, 0, $edits['aim']));
    }

    /** What a pattern’s brackets hold may stand in the new words as `$1` to `$9`, the whole as `$0`. */
    private function wordsFor(Hit $hit): string
    {
        return FindMode::Pattern !== $this->query->mode
            ? $this->words
            : (string) preg_replace_callback(
                '/\$([0-9])/',
                static fn(array $match): string => $hit->groups[(int) $match[1]] ?? '',
                $this->words,
            );
    }

    /**
     * @param list<Node>                    $content
     * @param list<array{int, int, string}> $edits in order; from, to, and what stands there instead
     *
     * @return list<Node>
     */
    private static function edited(array $content, array $edits, int $start = 0): array
    {
        if ([] === $edits) {
            return $content;
        }
        $made = [];
        foreach ($content as $node) {
            $end = $start + $node->size();
            $within = array_values(
                array_filter($edits, static fn(array $edit): bool => $edit[0] < $end && $edit[1] > $start),
            );
            if ([] === $within) {
                $made[] = $node;
            } elseif (!$node->isText()) {
                $made[] =
                    [] === $node->content
                        ? $node
                        : $node->withContent(self::edited($node->content, $within, $start + 1));
            } else {
                $words = self::cutAndPut($node->text, $start, $within);
                $made = '' === $words ? $made : [...$made, Node::text($words, $node->marks)];
            }
            $start = $end;
        }

        return $made;
    }

    /** @param list<array{int, int, string}> $edits those that reach into these words, which begin at `$start` */
    private static function cutAndPut(string $words, int $start, array $edits): string
    {
        $made = '';
        $at = 0;
        $length = Utf16::length($words);
        foreach ($edits as [$from, $to, $new]) {
            // What began in an earlier run of letters stands there already.
            $made .= Utf16::slice($words, $at, max($at, $from - $start)) . ($from >= $start ? $new : '');
            $at = min($length, $to - $start);
        }

        return $made . Utf16::slice($words, $at, $length);
    }
}
