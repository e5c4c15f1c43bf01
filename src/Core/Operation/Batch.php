<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

use Stemmata\Core\Document\Document;

/** Several operations as one step, each on the outcome of the one before. When one is refused, none is done. */
final readonly class Batch implements Operation
{
    /** @param non-empty-list<Operation> $operations */
    public function __construct(public array $operations) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $notices = [];
        foreach ($this->operations as $index => $operation) {
            $outcome = $operation->applyTo($document);
            if ($outcome instanceof Refused) {
                return Refused::inBatch($index, $outcome);
            }
            $document = $outcome->document;
            $notices = [...$notices, ...$outcome->notices];
        }

        return new Applied($document, $notices);
    }

    public function restsOn(): Basis
    {
        return array_reduce(
            $this->operations,
            static fn(Basis $basis, Operation $operation): Basis => $basis->and($operation->restsOn()),
            Basis::nothing(),
        );
    }

    public function describe(Document $before): string
    {
        $more = count($this->operations) - 1;
        if (1 === $more) {
            return $this->operations[0]->describe($before) . ' and ' . lcfirst($this->operations[1]->describe($before));
        }

        return $this->operations[0]->describe($before) .
            (0 === $more ? '' : sprintf(' and %s more steps', number_format($more)));
    }
}
