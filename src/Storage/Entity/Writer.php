<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;

/** Whoever owns documents. For now there is one, who works on this machine. */
#[ORM\Entity]
#[ORM\Table(name: 'writer')]
class Writer
{
    public const LOCAL = 'local';

    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 32)] public string $id,
        #[ORM\Column(length: 200)] public string $name,
        /** JSON: the keys chosen instead of ours, by command. */
        #[ORM\Column(type: 'text')] public string $keys = '{}',
        /** The house style of new documents: the name of one that ships, or the id of one of the writer’s own; empty for the usual one. */
        #[ORM\Column(length: 80, options: ['default' => ''])] public string $newLook = '',
    ) {}
}
