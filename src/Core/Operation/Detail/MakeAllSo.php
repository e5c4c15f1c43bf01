<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\ByHand;
use Stemmata\Core\Style\InvalidStyleSheet;
use Stemmata\Core\Style\Shape;

/**
 * Says of a kind of text what was said by hand of one that is of it: all of that kind follow, also those of which something
 * else was said by hand in these properties. What is said by hand in others stays.
 */
final readonly class MakeAllSo implements Operation
{
    public function __construct(private string $kind, private Shape $shape) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if ($this->shape->isEmpty()) {
            return Refused::missing('Nothing is said by hand here that all others could follow.');
        }
        try {
            $sheet = $document->setup->sheet()->shaped($this->kind, $this->shape->said);
        } catch (InvalidStyleSheet $problem) {
            return Refused::invalidStyle($problem->getMessage());
        }
        $properties = array_keys($this->shape->said);

        return new Applied(
            $document
                ->withSetup($document->setup->withSheet($sheet))
                ->withSection(
                    ...ByHand::changed(
                        $document,
                        fn(string $kind, Shape $shape): Shape => $kind === $this->kind
                            ? $shape->without($properties)
                            : $shape,
                    ),
                ),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return sprintf('Made all of “%s” look like one of them', $before->setup->sheet()->labelOf($this->kind));
    }
}
