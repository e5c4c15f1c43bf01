<?php

declare(strict_types=1);

namespace Stemmata\Core\Speech;

/** A line of the text as it is said aloud. */
final readonly class Utterance
{
    /**
     * @param string                      $words      what is said
     * @param list<array{int, int, int}>  $stretches  of it that stand in the text: where in the words, where in the
     *     heading or in the text, and how long (UTF-16 code units, as the editor counts); what lies between is said and not written
     */
    public function __construct(public string $words, public bool $isInHeading, public array $stretches) {}
}
