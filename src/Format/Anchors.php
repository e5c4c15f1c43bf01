<?php

declare(strict_types=1);

namespace Stemmata\Format;

use Stemmata\Core\Document;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Link\References;

/**
 * The names by which places go in a written file. A section’s begins with “sec-”: a bookmark’s name holds no hyphen, so
 * the two can never be taken for each other. Only places that something leads to are named.
 */
final readonly class Anchors
{
    /** @param array<string, string> $byId */
    private function __construct(private array $byId)
    {
    }

    public static function in(Document $document): self
    {
        $linked = [];
        $byId = [];
        foreach ($document->sections() as $section) {
            $references = References::in($section);
            $linked += $references->links;
            $byId += $references->bookmarks;
            foreach ($section->body->walk() as $node) {
                foreach ('contents' === $node->type ? ContentsBlock::lines($node) : [] as $line) {
                    $linked[$line['section']] = '';
                }
            }
        }
        $taken = [];
        foreach ($document->outline->ids() as $position => $id) {
            if (!isset($linked[$id->value])) {
                continue;
            }
            $base = 'sec-'.(Slug::of($document->sectionAt($position)->heading->plainText()) ?: (string) ($position + 1));
            $name = $base;
            for ($number = 2; isset($taken[$name]); ++$number) {
                $name = $base.'-'.$number;
            }
            $taken[$name] = true;
            $byId[$id->value] = $name;
        }

        return new self($byId);
    }

    public function find(string $id): ?string
    {
        return $this->byId[$id] ?? null;
    }

    /** The address a link is written with; one that leads nowhere keeps its id, so that nothing is guessed. */
    public function address(string $target): string
    {
        $id = LinkTarget::findInnerId($target);

        return null === $id ? $target : '#'.($this->byId[$id] ?? $id);
    }
}
