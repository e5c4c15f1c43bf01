<?php

declare(strict_types=1);

namespace Stemmata\Core\Rendition;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Counting\CaptionNumbers;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Link\CrossReferenceShows;
use Stemmata\Core\Link\KeptFile;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Slug;

/**
 * The names by which places go in a written file. A section’s begins with “sec-”: a bookmark’s name holds no hyphen, so
 * the two can never be taken for each other. Only places that something leads to are named.
 */
final readonly class Places
{
    /**
     * @param array<string, string>         $byId
     * @param array<string, array{int,
     *     string}> $places the position and the heading of the section that each place lies in
     * @param list<string>                  $numbers by position
     */
    private function __construct(
        private array $byId,
        private array $places,
        private array $numbers,
        private CaptionNumbers $captions,
    ) {}

    public static function in(Document $document, ?CaptionNumbers $captions = null): self
    {
        $linked = [];
        $byId = [];
        foreach ($document->references() as $references) {
            $linked += $references->links;
            $byId += $references->bookmarks;
        }
        foreach ($document->contentsHolders() as $holder) {
            foreach ($document->section($holder)->body->walk() as $node) {
                foreach ('contents' === $node->type ? ContentsLines::kept($node) : [] as $line) {
                    $linked[$line['section']] = '';
                }
            }
        }
        $taken = [];
        $headings = $document->headings();
        foreach ($document->outline->ids() as $position => $id) {
            if (!isset($linked[$id->value])) {
                continue;
            }
            $base = 'sec-' . (Slug::of($headings[$position]) ?: (string) ($position + 1));
            $name = $base;
            for ($number = 2; isset($taken[$name]); ++$number) {
                $name = $base . '-' . $number;
            }
            $taken[$name] = true;
            $byId[$id->value] = $name;
        }

        // A branch speaks of what stands outside it as the whole document does, but cannot lead there.
        $all = $document->whole ?? $document;

        return new self(
            $byId,
            self::places($all, null === $document->whole ? $headings : $all->headings()),
            $all->numbers(),
            $captions ?? CaptionNumbers::of($document),
        );
    }

    /**
     * @param list<string> $headings by position
     *
     * @return array<string, array{int, string}>
     */
    private static function places(Document $document, array $headings): array
    {
        $places = [];
        $references = $document->references();
        foreach ($document->outline->ids() as $position => $id) {
            $place = [$position, $headings[$position]];
            $places += [$id->value => $place];
            $places += array_fill_keys(array_keys($references[$position]->bookmarks ?? []), $place);
        }

        return $places;
    }

    public function findName(string $id): ?string
    {
        return $this->byId[$id] ?? null;
    }

    /**
     * @return array<string, string> the name of each place by its id: sections that something leads to,
     *     and all bookmarks
     */
    public function names(): array
    {
        return $this->byId;
    }

    /** Whether the place is in the file, or an address outside the document. */
    public function leadsSomewhere(string $target): bool
    {
        $id = LinkTarget::findInnerId($target);

        // A kept file goes with the document, not into what is written from it.
        return null === $id
            ? !str_starts_with($target, '#') && null === KeptFile::findIn($target)
            : isset($this->byId[$id]);
    }

    /** What a cross-reference says at the time of writing; its words follow the outline. */
    public function crossReferenceWords(Node $reference): string
    {
        [$position, $heading] = $this->placeOf($reference);
        if (null === $position) {
            return CrossReferenceShows::GONE;
        }
        $shows = CrossReferenceShows::tryFrom($reference->textAttribute('shows')) ?? CrossReferenceShows::Both;
        $caption = $this->captions->findCaptionAt((string) LinkTarget::findInnerId($reference->textAttribute('href')));
        if (null !== $caption) {
            return $shows->words(...$caption);
        }

        return $shows->words($this->numbers[$position], $heading);
    }

    /**
     * All that decides what is said of a place, and whether it can be gone to.
     *
     * @return list<mixed>
     */
    public function wordsOf(string $id): array
    {
        [$position, $heading] = $this->places[$id] ?? [null, ''];

        return [
            $this->numbers[$position ?? -1] ?? '',
            $heading,
            $this->captions->findCaptionAt($id),
            isset($this->byId[$id]),
        ];
    }

    /** The number of the section that a cross-reference leads to; empty when it bears none. */
    public function crossReferenceNumber(Node $reference): string
    {
        return $this->numbers[$this->placeOf($reference)[0] ?? -1] ?? '';
    }

    /** @return array{int|null, string} */
    private function placeOf(Node $reference): array
    {
        return $this->places[LinkTarget::findInnerId($reference->textAttribute('href')) ?? ''] ?? [null, ''];
    }

    /** The address a link is written with. */
    public function address(string $target): string
    {
        $id = LinkTarget::findInnerId($target);

        return null === $id ? $target : '#' . ($this->byId[$id] ?? $id);
    }
}
