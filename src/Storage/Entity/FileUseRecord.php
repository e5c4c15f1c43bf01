<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;

/** A document shows this file, or did in an earlier state that can come back. */
#[ORM\Entity]
#[ORM\Table(name: 'file_use')]
#[ORM\Index(name: 'file_use_hash', columns: ['hash'])]
class FileUseRecord
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 12)] public string $documentId,
        #[ORM\Id] #[ORM\Column(length: 64)] public string $hash,
    ) {}
}
