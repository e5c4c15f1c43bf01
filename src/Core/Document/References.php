<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Language\Quoted;
use Stemmata\Core\Link\KeptFile;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Text\Caption;
use Stemmata\Core\Text\CaptionKind;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;
use Stemmata\Core\Text\PlacesLedTo;

/** What one section's text names and where it points: its bookmarks, its links, its pictures, its contents block. */
final readonly class References
{
    /**
     * @param array<string, string> $bookmarks name by bookmark id
     * @param array<string, string> $links     the first linked words by the id of the section or bookmark linked to
     * @param list<string>          $pictures  hashes, also of files that are led to; of the text itself only, for storage keeps them by document
     * @param int                   $notes     footnotes in it
     * @param list<Caption>         $captions  of its pictures and tables, in order; with empty words for those without
     * @param int                   $fillers   paragraphs that are filler
     * @param array<string, string> $keptFiles names of files kept with the document that links lead to, by hash
     * @param list<Reminder>        $reminders in order, each id once
     * @param array<string, string> $addresses the first linked words by what is linked to outside the text: pages of the web,
     *     mail, files
     * @param int                   $byHand    its heading, paragraphs and stretches of words that are shaped by hand
     * @param list<array{int, int}> $quoted    words and letters of what is quoted at length within its text
     * @param int                   $untold    pictures within its lines of which nobody is told what they show
     */
    private function __construct(
        public array $bookmarks,
        public array $links,
        public bool $hasContents,
        public array $pictures = [],
        public int $notes = 0,
        public array $captions = [],
        public array $keptFiles = [],
        public int $fillers = 0,
        public array $reminders = [],
        public int $untold = 0,
        public array $addresses = [],
        public int $byHand = 0,
        public array $quoted = [],
    ) {}

    public static function in(Section $section): self
    {
        $bookmarks = [];
        $links = [];
        $hasContents = false;
        $pictures = [];
        $notes = 0;
        $captions = [];
        $keptFiles = [];
        $fillers = 0;
        $reminders = [];
        $untold = 0;
        $addresses = [];
        $byHand = $section->shape->isEmpty() ? 0 : 1;
        foreach (self::parts($section) as $node) {
            $fillers += Filler::is($node) ? 1 : 0;
            $byHand += null === $node->attribute('shape') && null === $node->findMark('shape') ? 0 : 1;
            $untold += 'image' === $node->type && !Picture::isDescribed($node) ? 1 : 0;
            $notes += 'footnote' === $node->type ? 1 : 0;
            if (null !== ($caption = Caption::findOf($node))) {
                $captions[] = $caption;
            }
            if (null !== ($reminder = Reminder::findIn($node))) {
                $reminders[$reminder->id] ??= $reminder;
            }
            $hasContents = $hasContents || 'contents' === $node->type;
            if ('bookmark' === $node->type) {
                $bookmarks[$node->textAttribute('id')] = $node->textAttribute('name');
            }
            if (null !== ($hash = Picture::findHash($node->textAttribute('src')))) {
                $pictures[$hash] = $hash;
            }
            $address = (string) $node->findMark('link')?->attribute('href');
            if ('' !== $address && null === LinkTarget::findInnerId($address)) {
                $addresses[$address] ??= $node->plainText();
            }
            $kept = KeptFile::findIn($address);
            if (null !== $kept) {
                $pictures[$kept->hash] = $kept->hash;
                $keptFiles[$kept->hash] = $kept->name;
            }
            foreach (PlacesLedTo::idsOf($node) as $target) {
                $links[$target] ??= $node->plainText();
            }
        }

        return new self(
            $bookmarks,
            $links,
            $hasContents,
            array_values($pictures),
            $notes,
            $captions,
            $keptFiles,
            $fillers,
            array_values($reminders),
            $untold,
            $addresses,
            $byHand,
            self::quotedIn($section),
        );
    }

    /**
     * As they were kept beside the text.
     *
     * @param array<string, string> $bookmarks
     * @param array<string, string> $links
     * @param list<Caption>         $captions
     * @param list<Reminder>        $reminders
     * @param array<string, string> $addresses
     * @param list<array{int, int}> $quoted
     */
    public static function kept(
        array $bookmarks,
        array $links,
        bool $hasContents,
        int $notes = 0,
        array $captions = [],
        int $fillers = 0,
        array $reminders = [],
        int $untold = 0,
        array $addresses = [],
        int $byHand = 0,
        array $quoted = [],
    ): self {
        return new self(
            $bookmarks,
            $links,
            $hasContents,
            [],
            $notes,
            $captions,
            fillers: $fillers,
            reminders: $reminders,
            untold: $untold,
            addresses: $addresses,
            byHand: $byHand,
            quoted: $quoted,
        );
    }

    /** How many of its pictures or tables cannot be told to who does not see them; pictures within lines among them. */
    public function countUntold(CaptionKind $kind): int
    {
        $captions = array_filter(
            $this->captions,
            static fn(Caption $caption): bool => $kind === $caption->kind && !$caption->isTold,
        );

        return count($captions) + (CaptionKind::Figure === $kind ? $this->untold : 0);
    }

    /** @return list<array{int, int}> */
    private static function quotedIn(Section $section): array
    {
        $found = [];
        foreach ($section->body->blocks as $block) {
            foreach ($block->isRunningText() ? Quoted::longIn($block->lineText()) : [] as $quoted) {
                $found[] = [$quoted->words, $quoted->letters];
            }
        }

        return $found;
    }

    /** @return iterable<Node> */
    private static function parts(Section $section): iterable
    {
        foreach ($section->heading->inline as $node) {
            yield from $node->walk();
        }
        yield from $section->body->walk();
    }
}
