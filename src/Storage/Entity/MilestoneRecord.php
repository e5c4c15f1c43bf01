<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;

/** A named state of a document. */
#[ORM\Entity]
#[ORM\Table(name: 'milestone')]
#[ORM\Index(name: 'milestone_document', columns: ['document_id', 'made_at'])]
class MilestoneRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 12)] public string $id,
        #[ORM\Column(length: 12)] public string $documentId,
        #[ORM\Column(length: 200)] public string $name,
        /** The journal's step that led to the state; 0 for the beginning. */
        #[ORM\Column] public int $step,
        /** Seconds since 1970, UTC. */
        #[ORM\Column] public int $madeAt,
    ) {}
}
