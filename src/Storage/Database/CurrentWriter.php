<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Storage\Entity\Writer;

/** Whose documents these are: the one place that is asked. Who logs in at a proxy is let in to the same desk. */
final readonly class CurrentWriter
{
    public function __construct(private EntityManagerInterface $entities) {}

    public function id(): string
    {
        return Writer::LOCAL;
    }

    /** What is kept of them. */
    public function record(): Writer
    {
        return $this->entities->find(Writer::class, $this->id()) ??
            throw new \LogicException(sprintf('There is no writer “%s”.', $this->id()));
    }
}
