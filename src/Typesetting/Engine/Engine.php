<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

/** What typesets: sources in, pages out. */
interface Engine
{
    /**
     * @param array<string, mixed> $request
     * @param float|null           $patience how long it may take until at least `waiting` is said (seconds); null for as long
     *     as one request may take
     *
     * @return array{array<mixed>, string} what it says, and bytes that go with it
     *
     * @throws TypesettingFailed
     */
    public function exchange(array $request, ?float $patience = null): array;
}
