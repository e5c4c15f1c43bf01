<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\PassagePlace;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;

#[ORM\Entity]
#[ORM\Table(name: 'offcut')]
#[ORM\Index(name: 'offcut_document', columns: ['document_id', 'cut_at'])]
class OffcutRecord
{
    #[ORM\Column(length: 16)]
    public string $reason = '';
    #[ORM\Column(type: 'text')]
    public string $name = '';
    #[ORM\Column(length: 12, nullable: true)]
    public ?string $afterId = null;
    #[ORM\Column(type: 'text')]
    public string $outlineIds = '';
    #[ORM\Column(type: 'text')]
    public string $outlineLevels = '';
    #[ORM\Column(type: 'text')]
    public string $outlineFlags = '';
    /** Of a passage, between which words it stood: PassagePlace in JSON. */
    #[ORM\Column(type: 'text', nullable: true)]
    public ?string $place = null;

    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 12)] public string $id,
        #[ORM\Column(length: 12)] public string $documentId,
        /** Seconds since 1970, UTC. */
        #[ORM\Column] public int $cutAt,
    ) {}

    public function offcut(): Offcut
    {
        return new Offcut(
            SectionId::fromString($this->id),
            OffcutReason::from($this->reason),
            $this->name,
            null === $this->afterId ? null : SectionId::fromString($this->afterId),
            Outline::packed($this->outlineIds, $this->outlineLevels, $this->outlineFlags),
            null === $this->place
                ? null
                : PassagePlace::fromJson((array) json_decode($this->place, true, flags: \JSON_THROW_ON_ERROR)),
        );
    }
}
