<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;

/** Bytes that texts name by their hash. */
#[ORM\Entity]
#[ORM\Table(name: 'stored_file')]
class StoredFileRecord
{
    public function __construct(
        /** As Picture computes it. */
        #[ORM\Id] #[ORM\Column(length: 64)] public string $hash,
        #[ORM\Column(length: 64)] public string $mediaType,
        /** @var string|resource */
        #[ORM\Column(type: 'blob')] public mixed $bytes,
    ) {}
}
