<?php

declare(strict_types=1);

namespace Stemmata\Storage\Document;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;

/** One operation on one document, made from the state that it is to be applied to. */
final readonly class Step
{
    /**
     * @param int|null                              $baseRevision that the writer saw; null for one who saw nothing of
     *     the document
     * @param \Closure(Document): (Operation|Refused) $operation   asked again when the document changes before it is
     *     written
     */
    public function __construct(public string $documentId, public ?int $baseRevision, public \Closure $operation) {}

    public static function of(string $documentId, int $baseRevision, Operation $operation): self
    {
        return new self($documentId, $baseRevision, static fn(): Operation => $operation);
    }
}
