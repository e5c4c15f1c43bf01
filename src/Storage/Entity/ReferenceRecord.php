<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;

/**
 * What a section's text names and where it points, so that this can be asked without reading every text. Written anew
 * from the text whenever that changes.
 */
#[ORM\Entity]
#[ORM\Table(name: 'reference')]
#[ORM\Index(name: 'reference_target', columns: ['document_id', 'kind', 'target'])]
#[ORM\Index(name: 'reference_name', columns: ['document_id', 'kind', 'name'])]
class ReferenceRecord
{
    public const BOOKMARK = 'bookmark';
    public const LINK = 'link';
    public const CONTENTS = 'contents';
    /** The footnotes and captions of the section: see CountedForm. */
    public const COUNTED = 'counted';

    public function __construct(
        #[ORM\Column(length: 12)] public string $documentId,
        #[ORM\Id] #[ORM\Column(length: 12)] public string $sectionId,
        #[ORM\Id] #[ORM\Column(length: 16)] public string $kind,
        /** The bookmark's own id, or the id of the section or bookmark linked to. */
        #[ORM\Id] #[ORM\Column(length: 12)] public string $target,
        /** The bookmark's name, or the words of the link. */
        #[ORM\Column(type: 'text')] public string $name,
    ) {}
}
