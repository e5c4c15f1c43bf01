<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;
use Stemmata\Core\Style\StyleSheet;

/** A look that a writer kept as a house style. */
#[ORM\Entity]
#[ORM\Table(name: 'house_style')]
#[ORM\Index(name: 'house_style_owner', columns: ['owner_id', 'made_at'])]
class HouseStyleRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 12)] public string $id,
        #[ORM\Column(length: 32)] public string $ownerId,
        /** Seconds since 1970, UTC. */
        #[ORM\Column] public int $madeAt,
        /** JSON, as StyleSheet writes it. */
        #[ORM\Column(type: 'text')] public string $sheet,
    ) {}

    public function sheet(): StyleSheet
    {
        return StyleSheet::fromJson(json_decode($this->sheet, true, flags: \JSON_THROW_ON_ERROR));
    }
}
