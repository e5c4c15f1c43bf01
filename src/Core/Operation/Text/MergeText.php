<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Merge\Dispute;
use Stemmata\Core\Merge\Merged;
use Stemmata\Core\Merge\Preference;
use Stemmata\Core\Merge\TextMerge;
use Stemmata\Core\Merge\UniquePlaces;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Operation\Rule\TakenBookmark;
use Stemmata\Core\Operation\Rule\TypedText;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;

/**
 * Typing that met another window’s in the same section: put together with the text as it is at this moment. Refused
 * when both changed the same words, until the writer says what to go on with; words that give way are set aside.
 */
final readonly class MergeText implements Operation
{
    /**
     * @param array{Heading, Body}      $began what this window’s typing began on
     * @param array{Heading, Body}      $mine  what it made of that
     * @param array{Heading, Body}|null $seen  the other text that the writer chose beside; null when nothing was chosen
     *     yet. What has been written since is put together with what was chosen, and asked about when it is the same words
     */
    public function __construct(
        private SectionId $section,
        private array $began,
        private array $mine,
        private ?array $seen,
        private Preference $preference,
        private IdSource $ids,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $position = $document->outline->findPosition($this->section);
        if (null === $position) {
            return Refused::unknownSection($this->section->value);
        }
        $section = $document->section($this->section);
        $now = [$section->heading, $section->body];
        [$base, $mine, $chosen] = [$this->began, $this->mine, null];
        if (null !== $this->seen) {
            $chosen = TextMerge::of($base, $mine, $this->seen, $this->preference);
            [$base, $mine] = [$this->seen, [$chosen->heading, $chosen->body]];
        }
        $merged = TextMerge::of($base, $mine, $now, Preference::Ask);
        if ([] !== $merged->disputes) {
            return Refused::sameWords();
        }
        $isOpening = $document->outline->levelAt($position)->isOpening();
        $rewritten = $section->withHeading($isOpening ? Heading::none() : $merged->heading)->withBody($merged->body);

        return TakenBookmark::findIn($document, $rewritten) ??
            new Applied($this->withSetAside(TypedText::in($document, $rewritten), $merged, $chosen->disputes ?? []));
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return 'Wrote in ' . Described::section($before, $this->section);
    }

    /** @param list<Dispute> $disputes */
    private function withSetAside(Document $document, Merged $merged, array $disputes): Document
    {
        $given = array_merge(
            ...array_map(
                fn(Dispute $dispute): array => match ($this->preference) {
                    Preference::Mine => $dispute->theirs,
                    Preference::Theirs => $dispute->mine,
                    Preference::Ask, Preference::Both => [],
                },
                $disputes,
            ),
        );
        [, $blocks] = UniquePlaces::in([...$merged->heading->inline, ...$merged->body->blocks], $given);
        $words = Body::of($blocks);
        if ('' === trim($words->plainText())) {
            return $document;
        }
        $kept = new Section($this->ids->next(), Heading::none(), $words);

        return $document
            ->withSection($kept)
            ->withOffcut(
                new Offcut(
                    $this->ids->next(),
                    OffcutReason::SetAside,
                    Offcut::nameOf($words),
                    $this->section,
                    Outline::of($kept->id, Level::Opening),
                ),
            );
    }
}
