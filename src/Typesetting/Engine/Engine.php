<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

/** What typesets: sources in, pages out. */
interface Engine
{
    /**
     * @param array<string, mixed> $request
     *
     * @return array{array<mixed>, string} what it says, and bytes that go with it
     *
     * @throws TypesettingFailed
     */
    public function exchange(array $request): array;
}
