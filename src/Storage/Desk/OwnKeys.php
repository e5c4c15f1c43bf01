<?php

declare(strict_types=1);

namespace Stemmata\Storage\Desk;

use Stemmata\Storage\Database\CurrentWriter;
use Stemmata\Storage\Database\WriteLock;

/** The keys that a writer has chosen for commands. */
final readonly class OwnKeys
{
    public function __construct(private WriteLock $lock, private CurrentWriter $current) {}

    /** @return array<string, list<string>> keys by command; commands with our keys are not among them */
    public function of(): array
    {
        $kept = json_decode($this->current->record()->keys, true, flags: \JSON_THROW_ON_ERROR);
        $keys = [];
        foreach (is_array($kept) ? $kept : [] as $command => $chords) {
            $keys[(string) $command] = array_values(array_filter(is_array($chords) ? $chords : [], is_string(...)));
        }

        return $keys;
    }

    /** @param array<string, list<string>> $keys by command */
    public function keep(array $keys): void
    {
        $json = json_encode((object) $keys, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE);
        $this->lock->holding(function () use ($json): void {
            $this->current->record()->keys = $json;
        });
    }
}
