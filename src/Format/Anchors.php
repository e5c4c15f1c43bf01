<?php

declare(strict_types=1);

namespace Stemmata\Format;

use Stemmata\Core\Document;
use Stemmata\Core\Link\CrossReferenceShows;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Link\References;
use Stemmata\Core\Text\Node;

/**
 * The names by which places go in a written file. A section’s begins with “sec-”: a bookmark’s name holds no hyphen, so
 * the two can never be taken for each other. Only places that something leads to are named.
 */
final readonly class Anchors
{
    /**
     * @param array<string, string>         $byId
     * @param array<string, array{int, string}> $places the position and the heading of the section that each place lies in
     * @param list<string>                  $numbers by position
     */
    private function __construct(private array $byId, private array $places, private array $numbers)
    {
    }

    public static function in(Document $document): self
    {
        $linked = [];
        $byId = [];
        $places = [];
        foreach ($document->sections() as $position => $section) {
            $references = References::in($section);
            $place = [$position, $section->heading->plainText()];
            $places += [$section->id->value => $place] + array_fill_keys(array_keys($references->bookmarks), $place);
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

        return new self($byId, $places, $document->numbers());
    }

    public function find(string $id): ?string
    {
        return $this->byId[$id] ?? null;
    }

    /** What a cross-reference says at the time of writing; its words follow the outline. */
    public function crossReferenceWords(Node $reference): string
    {
        [$position, $heading] = $this->places[LinkTarget::findInnerId($reference->textAttribute('href')) ?? ''] ?? [null, ''];
        $shows = CrossReferenceShows::tryFrom($reference->textAttribute('shows')) ?? CrossReferenceShows::Both;

        return null === $position ? '?' : $shows->words($this->numbers[$position], $heading);
    }

    /** The address a link is written with; one that leads nowhere keeps its id, so that nothing is guessed. */
    public function address(string $target): string
    {
        $id = LinkTarget::findInnerId($target);

        return null === $id ? $target : '#'.($this->byId[$id] ?? $id);
    }
}
