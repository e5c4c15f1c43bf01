<?php

declare(strict_types=1);

namespace Stemmata\Core;

/** Marks every exception the core throws; its message is always a whole sentence fit to be shown to a writer. */
interface CoreException extends \Throwable {}
