<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;

/** One step of a document's history: what was touched, before and after. Undo and redo only ever look at this. */
#[ORM\Entity]
#[ORM\Table(name: 'journal')]
#[ORM\Index(name: 'journal_state', columns: ['document_id', 'state', 'id'])]
class JournalEntry
{
    public const DONE = 'done';
    public const UNDONE = 'undone';
    /** Undone, and then overtaken by another change: kept for the history, out of reach of redo. */
    public const OVERTAKEN = 'overtaken';

    #[ORM\Id]
    #[ORM\GeneratedValue]
    #[ORM\Column]
    public ?int $id = null;

    #[ORM\Column(length: 16)]
    public string $state = self::DONE;

    public function __construct(
        #[ORM\Column(length: 12)] public string $documentId,
        /** The document's revision that this step made. */
        #[ORM\Column] public int $revision,
        #[ORM\Column(type: 'text')] public string $label,
        /** The section typed in, for a step that is nothing but typing; steps of one burst become one. */
        #[ORM\Column(length: 12, nullable: true)] public ?string $typedIn,
        /** JSON, as ChangeForm writes it. */
        #[ORM\Column(type: 'text')] public string $change,
        /** Seconds since 1970, UTC. */
        #[ORM\Column] public int $startedAt,
        #[ORM\Column] public int $madeAt,
        /**
         * The step that stood last when this one was made; 0 for none. A step may be undone, and another take its
         * place.
         */
        #[ORM\Column] public int $previousId = 0,
    ) {}
}
