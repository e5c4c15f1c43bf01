<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

use Random\Randomizer;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\SectionId;

/**
 * Ids from the system's secure chance: 61 bits, so that two of 10 million sections are the same once in 50,000 such
 * collections.
 */
final readonly class RandomIds implements IdSource
{
    private const LETTERS = 'abcdefghijklmnopqrstuvwxyz';
    private const SIGNS = self::LETTERS . '0123456789';

    private Randomizer $randomizer;

    public function __construct()
    {
        $this->randomizer = new Randomizer();
    }

    public function next(): SectionId
    {
        $id = self::LETTERS[$this->randomizer->getInt(0, 25)];
        for ($sign = 1; $sign < SectionId::LENGTH; ++$sign) {
            $id .= self::SIGNS[$this->randomizer->getInt(0, 35)];
        }

        return SectionId::fromString($id);
    }
}
