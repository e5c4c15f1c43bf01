<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

/** An answer to a write that says why there was none. */
interface NothingWritten {}
