<?php

declare(strict_types=1);

namespace Stemmata\Core\Starter;

/** One section of a ready outline. */
final readonly class StarterPart
{
    /**
     * @param int      $level      1 to 9
     * @param string   $aim        what the section must do
     * @param int|null $target     words
     * @param bool     $isRequired whether a document begun from the starter must have it
     */
    public function __construct(
        public int $level,
        public string $heading,
        public string $aim = '',
        public ?int $target = null,
        public bool $isRequired = false,
        public bool $isNumbered = true,
        public bool $isAppendix = false,
    ) {}
}
