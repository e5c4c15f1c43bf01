<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Stemmata\Core\Text\Body;

/**
 * What is stored of texts that were read from the database, for as long as the texts are in use: a body that comes back
 * unchanged, in its section or in a copy, is neither encoded nor counted again.
 */
final class KnownTexts
{
    /** @var \WeakMap<Body, array{string, int}> */
    private \WeakMap $known;

    public function __construct()
    {
        $this->known = new \WeakMap();
    }

    public function remember(Body $body, string $json, int $words): void
    {
        $this->known[$body] = [$json, $words];
    }

    /** @return array{string, int}|null the JSON and the count of words */
    public function find(Body $body): ?array
    {
        return $this->known[$body] ?? null;
    }
}
