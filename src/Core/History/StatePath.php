<?php

declare(strict_types=1);

namespace Stemmata\Core\History;

/**
 * The way from one state of a document to another. A state is named by the step that led to it, 0 being the beginning.
 * Steps that were undone and overtaken are branches of the history; every state on every branch can be reached.
 */
final readonly class StatePath
{
    /**
     * @param list<int> $back  steps to take back, in turn
     * @param list<int> $forth steps to do again after that, in turn
     */
    private function __construct(public array $back, public array $forth) {}

    /**
     * @param array<int, int> $previous each step's previous one, 0 for those that began the history
     * @param int             $from     a step in $previous, or 0
     * @param int             $to       likewise
     */
    public static function between(array $previous, int $from, int $to): self
    {
        $forth = [];
        for ($step = $to; 0 !== $step; $step = $previous[$step]) {
            $forth[$step] = count($forth);
        }
        $back = [];
        for ($step = $from; 0 !== $step && !isset($forth[$step]); $step = $previous[$step]) {
            $back[] = $step;
        }

        return new self(
            $back,
            array_reverse(array_keys(0 === $step ? $forth : array_slice($forth, 0, $forth[$step], true))),
        );
    }
}
