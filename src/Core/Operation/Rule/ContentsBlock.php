<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Node;

/** Finds one of the contents in a section’s text, and puts another state of it in its place. */
final readonly class ContentsBlock
{
    /** @param int $index which of those in the section, from 0 on */
    public function __construct(public SectionId $section, public int $index) {}

    public function find(Document $document): Node|Refused
    {
        if (!$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        $blocks = [];
        foreach ($document->section($this->section)->body->walk() as $node) {
            if ('contents' === $node->type) {
                $blocks[] = $node;
            }
        }

        return $blocks[$this->index] ?? Refused::nothingToRefresh();
    }

    /** @param array<string, mixed> $attributes */
    public function replaced(Document $document, Node $contents, array $attributes): Applied
    {
        $section = $document->section($this->section);
        $next = $contents->withAttributes($attributes);

        return new Applied(
            $document->withSection(
                $section->withBody(
                    $section->body->mapped(static fn(Node $node): Node => $node === $contents ? $next : $node),
                ),
            ),
        );
    }
}
