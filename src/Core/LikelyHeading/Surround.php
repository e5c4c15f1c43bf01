<?php

declare(strict_types=1);

namespace Stemmata\Core\LikelyHeading;

/** What stands around a line. */
final readonly class Surround
{
    /**
     * @param bool $textFollows whether text, or a line that stands out less, comes next
     * @param int  $linesAlike     lines of the same look in all
     * @param int  $rowLength   lines of the same look in an unbroken row, this one among them: verse, lists, tables
     */
    public function __construct(public bool $textFollows, public int $linesAlike, public int $rowLength) {}
}
