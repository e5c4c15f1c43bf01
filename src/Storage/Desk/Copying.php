<?php

declare(strict_types=1);

namespace Stemmata\Storage\Desk;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\CopyPlan;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\Scope;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Heading;
use Stemmata\Disk\TemporaryFile;
use Stemmata\Storage\Database\WriteLock;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Document\StagedDocument;
use Stemmata\Storage\Document\UnknownDocument;
use Stemmata\Storage\Entity\DocumentKind;
use Stemmata\Storage\Section\SectionRows;

/**
 * Makes a document once more, or keeps a part of one standing to be put into others. History, offcuts and ideas stay
 * with the first.
 */
final readonly class Copying
{
    /** Sections that are held at once. */
    private const AT_ONCE = 100;

    public function __construct(
        private DocumentStore $store,
        private Desk $desk,
        private SectionRows $rows,
        private IdSource $ids,
        private WriteLock $lock,
    ) {}

    /**
     * @return string the id of the copy
     *
     * @throws UnknownDocument
     */
    public function copy(string $id): string
    {
        return $this->added(
            $id,
            function () use ($id): StagedDocument {
                $document = $this->store->document($id);
                $block = $document->titleBlock;
                $title = TitleBlock::name($block->title, $document->headings());

                return $this->staged($id, $document, $document->outline, $block->withTitle('Copy of ' . $title));
            },
            $this->store->get($id)->kind,
        );
    }

    /**
     * @return string the id of what is kept
     *
     * @throws UnknownDocument
     */
    public function keepBranches(string $id, Scope $scope): string
    {
        return $this->added(
            $id,
            function () use ($id, $scope): StagedDocument {
                $document = $this->store->document($id);
                $part = $scope->byItself($document->outline);
                $name = $document->section($part->idAt(0))->heading->plainText();

                return $this->staged($id, $document, $part, $document->titleBlock->withTitle($name));
            },
            DocumentKind::Standing,
        );
    }

    /**
     * Words of a section, without its heading.
     *
     * @param int $from as the editor counts, from 0 on
     *
     * @return string|Refused the id of what is kept
     *
     * @throws UnknownDocument
     */
    public function keepPassage(string $id, SectionId $section, int $from, int $to): string|Refused
    {
        $document = $this->store->document($id);
        $whole = $document->outline->has($section) ? $document->section($section) : null;
        if (null === $whole) {
            return Refused::unknownSection($section->value);
        }
        if ($from < 0 || $to > $whole->body->size()) {
            return Refused::positionOutside();
        }
        $passage = $whole->body->cut($from, $to);
        if ($passage->isEmpty()) {
            return Refused::noWordsPicked();
        }
        $kept = new Section($this->ids->next(), Heading::none(), $passage);

        return $this->desk->add(
            Document::of($document->titleBlock->withTitle(Offcut::nameOf($passage)), [[Level::Opening, $kept]]),
            kind: DocumentKind::Standing,
            copyOf: $id,
        );
    }

    /**
     * What is copied is read in one moment and kept in a file meanwhile, so that no one who writes has to wait.
     *
     * @param \Closure(): StagedDocument $staged
     */
    private function added(string $id, \Closure $staged, DocumentKind $kind): string
    {
        $file = TemporaryFile::path();
        try {
            $this->lock->reading(static function () use ($staged, $file): void {
                $staged()->writeTo($file);
            });

            return $this->desk->add(StagedDocument::open($file), kind: $kind, copyOf: $id);
        } finally {
            unlink($file);
        }
    }

    private function staged(string $id, Document $document, Outline $part, TitleBlock $block): StagedDocument
    {
        $originals = $part->ids();
        $newIds = array_map(fn(): SectionId => $this->ids->next(), $originals);
        $references = [];
        foreach ($document->references() as $position => $each) {
            if ($part->has($document->outline->idAt($position))) {
                $references[] = $each;
            }
        }
        $plan = CopyPlan::of($originals, $newIds, $references, $this->ids);

        return StagedDocument::copied($block, $part->withIds($newIds), $document->setup, function () use (
            $id,
            $originals,
            $plan,
        ): iterable {
            foreach (array_chunk($originals, self::AT_ONCE) as $some) {
                foreach ($this->store->sectionsInTurn($id, $some) as $section) {
                    yield $this->rows->row(null, $plan->copy($section));
                }
            }
        });
    }
}
