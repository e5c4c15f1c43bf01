<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Document\NamedStretches;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/** Takes bookmarks out of a text. */
final class Bookmarks
{
    /** @param array<string, true> $ids of the bookmarks to take out */
    public static function without(Section $section, array $ids): Section
    {
        if ([] === $ids) {
            return $section;
        }

        return $section
            ->withHeading(Heading::ofInline(self::inlineWithout($section->heading->inline, $ids)))
            ->withBody(Body::of(self::inlineWithout($section->body->blocks, $ids)));
    }

    public static function withoutLooseEnds(Section $section): Section
    {
        $ended = NamedStretches::in([...$section->heading->inline, ...$section->body->blocks]);

        return $section
            ->withHeading(Heading::ofInline(NamedStretches::withoutLooseEnds($section->heading->inline, $ended)))
            ->withBody(Body::of(NamedStretches::withoutLooseEnds($section->body->blocks, $ended)));
    }

    /**
     * @param list<Node>          $nodes
     * @param array<string, true> $ids
     *
     * @return list<Node>
     */
    private static function inlineWithout(array $nodes, array $ids): array
    {
        $kept = [];
        foreach ($nodes as $node) {
            if ('bookmark' === $node->type && isset($ids[$node->textAttribute('id')])) {
                continue;
            }
            $last = [] === $kept ? null : $kept[count($kept) - 1];
            $node = [] === $node->content ? $node : $node->withContent(self::inlineWithout($node->content, $ids));
            // The words on both sides of it are one run again.
            if ($node->isText() && null !== $last && $last->isText() && $last->marks == $node->marks) {
                array_pop($kept);
                $node = Node::text($last->text . $node->text, $node->marks);
            }
            $kept[] = $node;
        }

        return $kept;
    }
}
