<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;

/** One section's words and notes. It stays here when it is cut out, for the offcut only keeps the order. */
#[ORM\Entity]
#[ORM\Table(name: 'section')]
#[ORM\Index(name: 'section_document', columns: ['document_id', 'revision'])]
class SectionRecord
{
    /** The heading's words, for lists; the heading itself is headingInline. */
    #[ORM\Column(type: 'text')]
    public string $heading = '';
    /** JSON; empty when the heading is nothing but its words. */
    #[ORM\Column(type: 'text')]
    public string $headingInline = '';
    /** JSON, as SectionForm writes it. */
    #[ORM\Column(type: 'text')]
    public string $body = '[]';
    #[ORM\Column]
    public int $words = 0;
    /** The words of the text without their form, as Body::plainText() gives them. */
    #[ORM\Column(type: 'text')]
    public string $plainText = '';
    #[ORM\Column(length: 8192)]
    public string $aim = '';
    #[ORM\Column(nullable: true)]
    public ?int $target = null;
    #[ORM\Column(length: 16)]
    public string $marker = '';
    #[ORM\Column(length: 16, options: ['default' => ''])]
    public string $stage = '';
    /** What is said by hand of the look of the heading, as Shape writes it. */
    #[ORM\Column(type: 'text', options: ['default' => ''])]
    public string $shape = '';
    /** The document's revision that last changed this section's text. */
    #[ORM\Column]
    public int $revision = 1;

    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 12)] public string $id,
        #[ORM\Column(length: 12)] public string $documentId,
    ) {}
}
