<?php

declare(strict_types=1);

namespace Stemmata\Tests\Mutants;

/** One small change to one file. */
final readonly class Mutation
{
    /**
     * @param string $file  from the root of the project
     * @param int    $at    where the old words begin, in bytes
     * @param string $what  the kind of mistake
     */
    public function __construct(
        public string $file,
        public int $at,
        public string $old,
        public string $new,
        public string $what,
    ) {}

    /** @return bool false when the old words do not stand there */
    public function applyIn(string $root): bool
    {
        $source = (string) file_get_contents($root . '/' . $this->file);
        if (substr($source, $this->at, strlen($this->old)) !== $this->old) {
            return false;
        }
        file_put_contents(
            $root . '/' . $this->file,
            substr_replace($source, $this->new, $this->at, strlen($this->old)),
        );

        return true;
    }

    public function described(string $root): string
    {
        $line = 1 + substr_count(substr((string) file_get_contents($root . '/' . $this->file), 0, $this->at), "\n");
        $short = static fn(string $words): string => mb_strimwidth(
            (string) preg_replace('/\s+/', ' ', trim($words)),
            0,
            70,
            '…',
        );

        return sprintf("%s:%d\t%s\t%s\t(%s)", $this->file, $line, $short($this->old), $short($this->new), $this->what);
    }
}
