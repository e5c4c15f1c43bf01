<?php

declare(strict_types=1);

namespace Stemmata\Format;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Document;
use Stemmata\Core\IdSource;
use Stemmata\Core\Level;
use Stemmata\Core\Link\BookmarkName;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Outline;
use Stemmata\Core\Section;
use Stemmata\Core\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Core\TitleBlock;

/**
 * Gathers headings and blocks, in the order in which a reader meets them, into a document. Links to places in the file
 * (`#name`) are led to the section or bookmark of that name once all are known.
 */
final class DocumentBuilder
{
    public const MAX_SECTIONS = 100_000;

    /** @var list<array{Level, Section, int}> */
    private array $sections = [];
    private Level $level = Level::Opening;
    private SectionId $id;
    private Heading $heading;
    private int $flags = 0;
    /** @var list<Node> */
    private array $blocks = [];

    /** @var array<string, string> link target by anchor */
    private array $targets = [];
    /** @var array<string, true> */
    private array $names = [];
    /** @var array<string, true> */
    private array $missing = [];
    private bool $hasContents = false;

    public function __construct(private readonly IdSource $ids)
    {
        $this->id = $ids->next();
        $this->heading = Heading::none();
    }

    /**
     * @param list<Node>   $inline
     * @param list<string> $anchors names under which the file knows this heading
     *
     * @throws FormatException
     */
    public function heading(Level $level, array $inline, array $anchors = [], int $flags = 0): void
    {
        $this->finishSection();
        if (count($this->sections) >= self::MAX_SECTIONS) {
            throw FormatException::tooManySections(self::MAX_SECTIONS);
        }
        $this->id = $this->ids->next();
        $this->level = $level;
        $this->heading = Heading::ofInline($inline);
        $this->flags = $flags;
        $this->blocks = [];
        foreach ($anchors as $anchor) {
            $this->targets[$anchor] ??= LinkTarget::toSection($this->id->value);
        }
        // Programs that make anchors by themselves do so from the heading's words (common practice); a name given wins.
        $this->targets['~'.Slug::of($this->heading->plainText())] ??= LinkTarget::toSection($this->id->value);
    }

    public function block(Node $block): void
    {
        $this->hasContents = $this->hasContents || 'contents' === $block->type;
        $this->blocks[] = $block;
    }

    /** A named place in running text. */
    public function bookmark(string $anchor): Node
    {
        $name = BookmarkName::free(BookmarkName::madeFrom($anchor), fn (string $try): bool => isset($this->names[$try]));
        $this->names[$name] = true;
        $id = $this->ids->next()->value;
        $this->targets[$anchor] ??= LinkTarget::toBookmark($id);

        return new Node('bookmark', ['id' => $id, 'name' => $name]);
    }

    /** @param list<string> $warnings of the reader's own */
    public function finished(TitleBlock $titleBlock, array $warnings = []): ReadResult
    {
        $this->finishSection();
        $sections = $this->sections;
        $this->sections = [];
        $document = $this->assembled($titleBlock, $sections);
        if ($this->hasContents) {
            $document = self::withContentsFilled($document);
        }
        foreach (array_keys($this->missing) as $anchor) {
            $warnings[] = sprintf('A link leads to “#%s”, which is nowhere in the file.', $anchor);
        }

        return new ReadResult($document, $warnings);
    }

    private function finishSection(): void
    {
        if ($this->level->isOpening() && [] === $this->blocks) {
            return;
        }
        $this->sections[] = [$this->level, new Section($this->id, $this->heading, Body::of($this->blocks)), $this->flags];
    }

    /** @param list<array{Level, Section, int}> $sections */
    private function assembled(TitleBlock $titleBlock, array $sections): Document
    {
        $lead = $this->led(...);
        $resolved = array_map(static fn (array $entry): array => [$entry[0], $entry[1]
            ->withHeading(Heading::ofInline(array_map(static fn (Node $node): Node => $node->mapped($lead), $entry[1]->heading->inline)))
            ->withBody($entry[1]->body->mapped($lead))], $sections);
        $document = Document::of($titleBlock, $resolved);
        $flags = implode('', array_map(static fn (array $entry): string => dechex($entry[2]), $sections));

        return $document->withOutline(Outline::packed($document->outline->ids, $document->outline->levels, $flags));
    }

    private function led(Node $node): Node
    {
        return LinkTarget::led($node, function (string $href): string {
            if (!str_starts_with($href, '#')) {
                return $href;
            }
            $anchor = rawurldecode(substr($href, 1));
            $target = $this->targets[$anchor] ?? $this->targets['~'.mb_strtolower($anchor)] ?? null;
            if (null === $target) {
                $this->missing[$anchor] = true;
            }

            return $target ?? $href;
        });
    }

    private static function withContentsFilled(Document $document): Document
    {
        $filled = [];
        foreach ($document->contentsHolders() as $id) {
            $section = $document->section($id);
            $filled[] = $section->withBody($section->body->mapped(static fn (Node $node): Node => 'contents' === $node->type
                ? $node->withAttributes([...$node->attributes, 'lines' => ContentsLines::of($document, ContentsLines::level($node, 'from'), ContentsLines::level($node, 'to'))])
                : $node));
        }

        return $document->withSection(...$filled);
    }
}
