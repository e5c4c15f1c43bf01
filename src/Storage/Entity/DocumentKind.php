<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

/** What a document is on its writer's desk. */
enum DocumentKind: string
{
    case Manuscript = '';
    /** Text kept to be put into other documents, as printers keep type standing that will be printed again. */
    case Standing = 'standing';
}
