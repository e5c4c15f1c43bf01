<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Link\BookmarkName;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\PlacesLedTo;
use Stemmata\Core\Text\Slug;
use Stemmata\Core\TypedNumber\CaptionLifting;
use Stemmata\Core\TypedNumber\NumberLifting;
use Stemmata\Format\Read\Contents\FoundContents;
use Stemmata\Format\Read\Style\BodyLook;
use Stemmata\Format\Read\Style\KindsUsed;
use Stemmata\Format\Shared\ContentsWords;
use Stemmata\Format\Shared\FormatException;

/**
 * Gathers headings and blocks, in the order in which a reader meets them, into a document. Links to places in the file
 * (`#name`) are led to the section or bookmark of that name once all are known, and numbers typed into headings are
 * taken off once all headings are.
 */
final class DocumentBuilder
{
    public const MAX_SECTIONS = 60_000;
    /** What is left of a heading that is a whole text, which then stands under it (characters). */
    private const LONG_HEADING = 200;

    /** @var list<array{Level, Section, int}> */
    private array $sections = [];
    private Level $level = Level::Opening;
    private SectionId $id;
    private Heading $heading;
    private int $flags = 0;
    /** @var list<Node> */
    private array $blocks = [];
    /** @var array<string, string> number that the file prints before a heading, by section id */
    private array $printed = [];
    /** @var array<string, string> link target by anchor */
    private array $targets = [];
    /** @var array<string, true> */
    private array $names = [];
    /**
     * @var array<string, true> ids of bookmarks that a program made for itself; they go unless something leads to them
     */
    private array $hidden = [];
    /** @var array<string, true> ids of the bookmarks and sections that something leads to */
    private array $reached = [];
    /**
     * @var array<string, bool> names of the place where the next heading or block begins,
     *     and whether a program made them for itself
     */
    private array $pendingAnchors = [];
    private bool $hasStretches = false;
    /** @var array<string, string> */
    private array $kindLabels = [];
    /** @var array<string, string> */
    private array $saidOnTitlePage = [];
    /** @var list<Node> bookmarks that stand before the next heading or block */
    private array $bookmarksForNext = [];
    /** @var array<string, string> link target by the id of a bookmark that no line of words holds */
    private array $moved = [];
    /** @var list<Node> */
    private array $titlePage = [];
    /** @var array<string, FoundContents> by the section that their placeholder names */
    private array $contents = [];
    private bool $wasContents = false;
    /** Whether a link in the section being read leads to a place in the file. */
    private bool $hasInnerLinks = false;
    /** @var array<string, true> ids of the sections with such links */
    private array $linking = [];
    private readonly ReportBook $report;
    private readonly SoundText $sound;

    public function __construct(private readonly IdSource $ids)
    {
        $this->sound = new SoundText($this->note(...));
        $this->id = $ids->next();
        $this->heading = Heading::none();
        $this->report = new ReportBook();
    }

    /**
     * @param int          $level   1 or more; what is deeper than 9 stands at 9
     * @param list<Node>   $inline
     * @param list<string> $anchors names under which the file knows this heading
     * @param string       $printed the number that the file's program prints before it, when that is not among its
     *     words
     *
     * @throws FormatException
     */
    public function heading(int $level, array $inline, array $anchors = [], int $flags = 0, string $printed = ''): void
    {
        $this->finishSection();
        if (count($this->sections) >= self::MAX_SECTIONS) {
            throw FormatException::tooManySections(self::MAX_SECTIONS);
        }
        $this->id = $this->ids->next();
        $this->level = Level::from(max(1, min(9, $level)));
        $this->heading = Heading::ofInline($this->sound->inline($inline));
        $tooLong = strlen($this->heading->plainText()) > Heading::MAX_BYTES ? $this->heading : null;
        if (null !== $tooLong) {
            $this->heading = Heading::plain(mb_strimwidth($tooLong->plainText(), 0, self::LONG_HEADING, '…'));
        }
        $this->flags = $flags;
        // A heading is read while the section above is still open.
        $this->hasInnerLinks = self::leadInside($inline);
        $this->blocks = [];
        if ('' !== $printed) {
            $this->printed[$this->id->value] = $printed;
        }
        if ($level > 9) {
            $this->note(ImportNote::LevelTooDeep, $this->heading->plainText());
        }
        foreach ([...array_map(strval(...), array_keys($this->pendingAnchors)), ...$anchors] as $anchor) {
            $this->targets[$anchor] ??= LinkTarget::toSection($this->id->value);
        }
        $this->pendingAnchors = [];
        $this->leaveToSection($this->bookmarksForNext);
        $this->bookmarksForNext = [];
        $this->wasContents = false;
        // Programs that make anchors by themselves do so from the heading's words (common practice); a name given wins.
        $this->targets['~' . Slug::of($this->heading->plainText())] ??= LinkTarget::toSection($this->id->value);
        if (null !== $tooLong) {
            $this->note(ImportNote::KeptAsWords, $this->heading->plainText());
            $this->block(Node::paragraph($tooLong->inline));
        }
    }

    /**
     * Takes note of words that were read before the section they stand in, such as a footnote's.
     *
     * @param list<Node> $inline
     */
    public function noteReadBefore(array $inline): void
    {
        $this->hasInnerLinks = $this->hasInnerLinks || self::leadInside($inline);
    }

    public function block(Node $block): void
    {
        array_push(
            $this->blocks,
            ...$this->sound->block(
                [] === $this->pendingAnchors && [] === $this->bookmarksForNext ? $block : $this->named($block),
            ),
        );
    }

    /**
     * A part of the title page that a title block has no place for, such as a date or an abstract; it opens the text.
     */
    public function titlePagePart(Node $block): void
    {
        $this->note(ImportNote::TitleBlockInText, $block->plainText());
        array_push($this->titlePage, ...$this->sound->block($block));
    }

    /**
     * Contents were met.
     *
     * @return Node|null the block that stands for them until all headings are known; null when they hold no line
     */
    public function contents(FoundContents $found): ?Node
    {
        // A second list that leads about the same text is a program’s, as at the side of a page.
        if (!$found->isOurs && ($found->isEmpty() || [] !== $this->contents)) {
            $this->contentsLeftOut();

            return null;
        }
        if (!$found->isOurs && [] === $this->blocks && ContentsWords::isHeading($this->heading->plainText())) {
            // It stands for them alone, and is no heading of the text.
            $this->flags |= Outline::UNNUMBERED | Outline::LEFT_OUT_OF_CONTENTS;
        }
        $key = sprintf('contents%04d', count($this->contents));
        $this->contents[$key] = $found;

        return $found->placeholder($key);
    }

    /** Contents that a program made were met; a heading that stood only for them goes with them. */
    public function contentsLeftOut(): void
    {
        $this->note(ImportNote::ContentsLeftOut);
        $this->wasContents = true;
    }

    /** A named place in running text. */
    public function bookmark(string $anchor, bool $isHidden = false): Node
    {
        $name = BookmarkName::free(
            BookmarkName::isValid($anchor)
                ? $anchor
                : BookmarkName::madeFrom(ltrim((string) (strrchr($anchor, '#') ?: $anchor), '#')),
            fn(string $try): bool => isset($this->names[$try]),
        );
        $this->names[$name] = true;
        $id = $this->ids->next()->value;
        $this->targets[$anchor] ??= LinkTarget::toBookmark($id);
        if ($isHidden) {
            $this->hidden[$id] = true;
        } elseif ($name !== $anchor && !str_contains($anchor, '#')) {
            $this->note(ImportNote::BookmarkRenamed, $anchor . ' → ' . $name);
        }

        return new Node('bookmark', ['id' => $id, 'name' => $name]);
    }

    /** Where the stretch ends that the bookmark of that name begins; null when none of that name was read. */
    public function findBookmarkEnd(string $anchor): ?Node
    {
        $target = $this->targets[$anchor] ?? '';
        $id = LinkTarget::findInnerId($target);
        if (null === $id || LinkTarget::toBookmark($id) !== $target) {
            return null;
        }
        $this->hasStretches = true;

        return new Node('bookmarkEnd', ['id' => $id]);
    }

    /** A link; one to a place in the file is led there once all places are known. */
    public function link(string $href, ?string $hint = null): Mark
    {
        $this->hasInnerLinks = $this->hasInnerLinks || str_starts_with($href, '#');

        return Mark::link($href, '' === $hint ? null : $hint);
    }

    /** A name for the place where the next heading or block begins. */
    public function anchorForNext(string $anchor, bool $isHidden = true): void
    {
        $this->pendingAnchors[$anchor] = $isHidden;
    }

    /**
     * Bookmarks of a line that is not kept as one: they stand before the next heading or block.
     *
     * @param list<Node> $bookmarks made by bookmark()
     */
    public function bookmarksForNext(array $bookmarks): void
    {
        array_push($this->bookmarksForNext, ...$bookmarks);
    }

    public function note(ImportNote $note, string $detail = ''): void
    {
        $this->report->note($note, $this->id, $detail);
    }

    public function isEmpty(): bool
    {
        return [] === $this->sections && $this->level->isOpening() && [] === $this->blocks;
    }

    /** @param array<string, string> $labels what kinds of the writer’s own are called in the file, by name */
    public function kindsAreCalled(array $labels): void
    {
        $this->kindLabels = $labels;
    }

    /** @param array<string, string> $said by `subtitle` and `author`; it counts where nothing else is known */
    public function titlePageSays(array $said): void
    {
        $this->saidOnTitlePage += $said;
    }

    public function finished(TitleBlock $titleBlock): ReadResult
    {
        $titleBlock = new TitleBlock(
            SoundText::line($titleBlock->title),
            SoundText::line($titleBlock->subtitle ?: $this->saidOnTitlePage['subtitle'] ?? ''),
            SoundText::line($titleBlock->author ?: $this->saidOnTitlePage['author'] ?? ''),
            language: $titleBlock->language,
            date: SoundText::line($titleBlock->date),
        );
        $this->leaveToSection($this->bookmarksForNext);
        $this->finishSection();
        $this->putTitlePageFirst();
        $sections = BodyLook::settled($this->sections);
        $this->sections = [];
        $lifting = NumberLifting::from($this->assembled($titleBlock, $sections), $this->printedByPosition($sections));
        $document = CaptionLifting::from($lifting->document);
        $this->noteNumbers($lifting);
        // Behind the numbers that were taken off headings and captions: contents say both as they are now.
        if ([] !== $this->contents) {
            $document = $this->withContentsFilled($document);
        }
        $document = KindsUsed::defined($document->withPictures($this->sound->pictures()), $this->kindLabels);

        return new ReadResult($document, ImportReport::of($document, $this->report->lines()));
    }

    /** @param list<Node> $inline */
    private static function leadInside(array $inline): bool
    {
        foreach ($inline as $part) {
            foreach ($part->walk() as $node) {
                if (
                    str_starts_with(
                        (string) ($node->findMark('link')?->attribute('href') ?? $node->textAttribute('href')),
                        '#',
                    )
                ) {
                    return true;
                }
            }
        }

        return false;
    }

    private function finishSection(): void
    {
        if ($this->hasInnerLinks) {
            $this->linking[$this->id->value] = true;
        }
        $this->hasInnerLinks = false;
        if ($this->level->isOpening() && [] === $this->blocks) {
            return;
        }
        if ($this->wasContents && [] === $this->blocks && ContentsWords::isHeading($this->heading->plainText())) {
            return;
        }
        $this->sections[] = [
            $this->level,
            new Section($this->id, $this->heading, Body::of($this->blocks)),
            $this->flags,
        ];
    }

    private function putTitlePageFirst(): void
    {
        if ([] === $this->titlePage) {
            return;
        }
        $hasOpening = [] !== $this->sections && $this->sections[0][0]->isOpening();
        [$level, $opening, $flags] = $hasOpening
            ? array_shift($this->sections)
            : [Level::Opening, Section::blank($this->ids->next()), 0];
        array_unshift($this->sections, [
            $level,
            $opening->withBody(Body::of([...$this->titlePage, ...$opening->body->blocks])),
            $flags,
        ]);
    }

    /**
     * The block with bookmarks for the names of its place; one that holds no words of its own leaves them to the
     * section.
     */
    private function named(Node $block): Node
    {
        $bookmarks = [
            ...$this->bookmarksForNext,
            ...array_map(
                fn(int|string $anchor): Node => $this->bookmark((string) $anchor, $this->pendingAnchors[$anchor]),
                array_keys($this->pendingAnchors),
            ),
        ];
        $named = FirstLine::withLead($block, $bookmarks);
        if (null === $named) {
            $this->leaveToSection($bookmarks);
        }
        [$this->pendingAnchors, $this->bookmarksForNext] = [[], []];

        return $named ?? $block;
    }

    /**
     * Links to them lead to the section being read.
     *
     * @param list<Node> $bookmarks
     */
    private function leaveToSection(array $bookmarks): void
    {
        foreach ($bookmarks as $bookmark) {
            $this->moved[$bookmark->textAttribute('id')] = LinkTarget::toSection($this->id->value);
        }
    }

    /** @param list<array{Level, Section, int}> $sections */
    private function assembled(TitleBlock $titleBlock, array $sections): Document
    {
        $resolved = [];
        foreach ($sections as [$level, $section]) {
            $this->id = $section->id;
            $resolved[] = [
                $level,
                !isset($this->linking[$section->id->value])
                    ? $section
                    : $section
                        ->withHeading(
                            Heading::ofInline(
                                array_map(
                                    fn(Node $node): Node => $node->mapped($this->led(...)),
                                    $section->heading->inline,
                                ),
                            ),
                        )
                        ->withBody($section->body->mapped($this->led(...))),
            ];
        }
        if ([] !== $this->hidden) {
            $unreached = array_diff_key($this->hidden, $this->reached);
            $resolved = array_map(
                static fn(array $entry): array => [$entry[0], Bookmarks::without($entry[1], $unreached)],
                $resolved,
            );
        }
        if ($this->hasStretches) {
            $resolved = array_map(
                static fn(array $entry): array => [$entry[0], Bookmarks::withoutLooseEnds($entry[1])],
                $resolved,
            );
        }
        $document = Document::of($titleBlock, $resolved);
        $flags = implode('', array_map(static fn(array $entry): string => dechex($entry[2]), $sections));

        return $document->withOutline(Outline::packed($document->outline->ids, $document->outline->levels, $flags));
    }

    private function led(Node $node): Node
    {
        return PlacesLedTo::led($node, function (string $href): string {
            if (!str_starts_with($href, '#')) {
                return $href;
            }
            $anchor = rawurldecode(substr($href, 1));
            $target = $this->findTarget($anchor);
            if (null === $target) {
                $this->note(ImportNote::LinkLeadsNowhere, '#' . $anchor);
            } else {
                $this->reached[(string) LinkTarget::findInnerId($target)] = true;
            }

            return $target ?? $href;
        });
    }

    private function findTarget(string $anchor): ?string
    {
        $target =
            '' === $anchor ? null : $this->targets[$anchor] ?? ($this->targets['~' . mb_strtolower($anchor)] ?? null);

        return $this->moved[(string) LinkTarget::findInnerId($target ?? '')] ?? $target;
    }

    /**
     * @param list<array{Level, Section, int}> $sections
     *
     * @return array<int, string>
     */
    private function printedByPosition(array $sections): array
    {
        $printed = [];
        foreach ([] === $this->printed ? [] : $sections as $position => [, $section]) {
            if (isset($this->printed[$section->id->value])) {
                $printed[$position] = $this->printed[$section->id->value];
            }
        }

        return $printed;
    }

    private function noteNumbers(NumberLifting $lifting): void
    {
        foreach ($lifting->liftedFromWords as $position) {
            $this->report->note(ImportNote::NumbersLifted, $lifting->document->outline->idAt($position));
        }
        foreach ($lifting->keptAsWords as $position) {
            $this->report->note(
                ImportNote::NumberKeptAsWords,
                $lifting->document->outline->idAt($position),
                $lifting->document->sectionAt($position)->heading->plainText(),
            );
        }
        foreach ($lifting->differences as $position => [$printed, $computed]) {
            $this->report->note(
                ImportNote::NumberDiffers,
                $lifting->document->outline->idAt($position),
                sprintf('%s is now %s', $printed, '' === $computed ? 'without a number' : $computed),
            );
        }
    }

    private function withContentsFilled(Document $document): Document
    {
        $filled = [];
        $outline = $document->outline;
        $placeOf = fn(string $anchor): ?string => LinkTarget::findInnerId($this->findTarget($anchor) ?? '');
        foreach ($document->contentsHolders() as $id) {
            $section = $document->section($id);
            $blocks = [];
            foreach ($section->body->blocks as $block) {
                $isDropped = false;
                $block = $block->mapped(function (Node $node) use ($document, $id, $placeOf, &$isDropped): Node {
                    $key = 'contents' === $node->type ? ContentsLines::kept($node)[0]['section'] ?? '' : '';
                    $found = $this->contents[$key] ?? null;
                    if (null === $found) {
                        return $node;
                    }
                    $settled = $found->settled(
                        $document,
                        $placeOf,
                        fn(string $words, string $heading) => $found->isOurs
                            ? null
                            : $this->report->note(ImportNote::ContentsLineByHand, $id, $words . ' → ' . $heading),
                    );
                    $isDropped = null === $settled;
                    if (!$found->isOurs) {
                        $this->report->note($isDropped ? ImportNote::ContentsLeftOut : ImportNote::ContentsKept, $id);
                    }

                    return null === $settled ? $node : $this->sound->block($settled)[0];
                });
                if (!$isDropped) {
                    $blocks[] = $block;
                }
            }
            $filled[] = $section->withBody(Body::of($blocks));
            $position = $outline->findPosition($id);
            if (
                null !== $position &&
                [] === $blocks &&
                ContentsWords::isHeading($section->heading->plainText()) &&
                $outline->branchEnd($position) === $position + 1
            ) {
                // A heading that stood only for contents goes with them.
                $outline = $outline->slice(0, $position)->followedBy($outline->slice($position + 1, $outline->count()));
            }
        }

        return $document->withSection(...$filled)->withOutline($outline);
    }
}
