<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;
use Stemmata\Core\Starter\Starter;

/** An outline that a writer kept to begin other documents from. */
#[ORM\Entity]
#[ORM\Table(name: 'starter')]
#[ORM\Index(name: 'starter_owner', columns: ['owner_id', 'made_at'])]
class StarterRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 12)] public string $id,
        #[ORM\Column(length: 32)] public string $ownerId,
        #[ORM\Column(length: 200)] public string $name,
        /** Seconds since 1970, UTC. */
        #[ORM\Column] public int $madeAt,
        /** JSON, as Starter writes it. */
        #[ORM\Column(type: 'text')] public string $outline,
    ) {}

    public function starter(): Starter
    {
        return Starter::fromJson(
            $this->id,
            $this->name,
            (array) json_decode($this->outline, true, flags: \JSON_THROW_ON_ERROR),
        );
    }
}
