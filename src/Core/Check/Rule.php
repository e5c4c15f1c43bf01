<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;

interface Rule
{
    /**
     * @param list<string> $headings the plain heading of each section, in order
     *
     * @return iterable<Finding>
     */
    public function findings(Document $document, array $headings): iterable;
}
