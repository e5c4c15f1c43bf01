<?php

declare(strict_types=1);

namespace Stemmata\Core\Counting;

/** How fast text is read, in words a minute. */
final class ReadingTime
{
    /** Silent reading of English non-fiction (Brysbaert 2019, Journal of Memory and Language). */
    public const SILENT_WORDS_PER_MINUTE = 238;
    /** Reading English aloud (the same source). */
    public const ALOUD_WORDS_PER_MINUTE = 183;
}
