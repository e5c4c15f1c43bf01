<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Document\Shelf;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Outline;

/** A document's title block, its outline in one row (docs/decisions/0002), and how often each was changed. */
#[ORM\Entity]
#[ORM\Table(name: 'document')]
#[ORM\Index(name: 'document_owner', columns: ['owner_id', 'changed_at'])]
class DocumentRecord
{
    #[ORM\Column(length: 8192)]
    public string $title = '';
    #[ORM\Column(length: 8192)]
    public string $subtitle = '';
    #[ORM\Column(length: 8192)]
    public string $author = '';
    #[ORM\Column(length: 8192)]
    public string $guidingStatement = '';
    #[ORM\Column(nullable: true)]
    public ?int $target = null;
    #[ORM\Column(length: 35)]
    public string $language = 'en';
    #[ORM\Column(type: 'text', options: ['default' => ''])]
    public string $date = '';
    #[ORM\Column(length: 8192, options: ['default' => ''])]
    public string $question = '';

    #[ORM\Column(type: 'text')]
    public string $outlineIds = '';
    #[ORM\Column(type: 'text')]
    public string $outlineLevels = '';
    #[ORM\Column(type: 'text')]
    public string $outlineFlags = '';

    /** JSON, as Setup writes it. */
    #[ORM\Column(type: 'text')]
    public string $setup = '{}';

    /** Goes up by one with each change to anything in the document. */
    #[ORM\Column]
    public int $revision = 1;
    /** The revision that last changed order, level or flags. */
    #[ORM\Column]
    public int $outlineRevision = 1;

    #[ORM\Column(length: 16, enumType: DocumentKind::class, options: ['default' => ''])]
    public DocumentKind $kind = DocumentKind::Manuscript;

    /** Where writing stopped: the resume point. */
    #[ORM\Column(length: 12, nullable: true)]
    public ?string $resumeSection = null;
    #[ORM\Column]
    public int $resumePosition = 0;

    /** How many pages it had when they were last set, and at which revision; null before the first time. */
    #[ORM\Column(nullable: true)]
    public ?int $pageCount = null;
    #[ORM\Column(nullable: true)]
    public ?int $pagedRevision = null;

    /** When the sitting began in which it was changed last (seconds since 1970, UTC); null before the first. */
    #[ORM\Column(nullable: true)]
    public ?int $sittingSince = null;

    /** Seconds since 1970, UTC; null while the document is on the desk. */
    #[ORM\Column(nullable: true)]
    public ?int $removedAt = null;

    /** Seconds since 1970, UTC, for a document that is still being stored; null for one that is whole. */
    #[ORM\Column(nullable: true)]
    public ?int $arrivingSince = null;

    /** Steps older than this many weeks are put together, one for each day; null keeps every step. */
    #[ORM\Column(nullable: true)]
    public ?int $stepsKeptWeeks = null;

    /** The day, since 1970, on which that was last done. */
    #[ORM\Column]
    public int $thinnedOn = 0;

    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 12)] public string $id,
        #[ORM\Column(length: 32)] public string $ownerId,
        #[ORM\Column] public int $createdAt,
        #[ORM\Column] public int $changedAt,
    ) {}

    public function outline(): Outline
    {
        return Outline::packed($this->outlineIds, $this->outlineLevels, $this->outlineFlags);
    }

    public function setOutline(Outline $outline): void
    {
        $this->outlineIds = $outline->ids;
        $this->outlineLevels = $outline->levels;
        $this->outlineFlags = $outline->flags;
    }

    public function titleBlock(): TitleBlock
    {
        return new TitleBlock(
            $this->title,
            $this->subtitle,
            $this->author,
            $this->guidingStatement,
            $this->target,
            $this->language,
            $this->date,
            $this->question,
        );
    }

    public function setTitleBlock(TitleBlock $titleBlock): void
    {
        $this->title = $titleBlock->title;
        $this->subtitle = $titleBlock->subtitle;
        $this->author = $titleBlock->author;
        $this->guidingStatement = $titleBlock->guidingStatement;
        $this->target = $titleBlock->target;
        $this->language = $titleBlock->language;
        $this->date = $titleBlock->date;
        $this->question = $titleBlock->question;
    }

    public function setup(): Setup
    {
        return '{}' === $this->setup
            ? Setup::plain()
            : Setup::fromJson((array) json_decode($this->setup, true, flags: \JSON_THROW_ON_ERROR));
    }

    public function setSetup(Setup $setup): void
    {
        $this->setup = json_encode(
            (object) $setup->toJson(),
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );
    }

    public function document(Shelf $shelf): Document
    {
        return Document::opened($this->titleBlock(), $this->outline(), $this->setup(), $shelf);
    }
}
