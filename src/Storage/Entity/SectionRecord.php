<?php

declare(strict_types=1);

namespace Stemmata\Storage\Entity;

use Doctrine\ORM\Mapping as ORM;
use Stemmata\Core\Marker;
use Stemmata\Core\Section;
use Stemmata\Core\SectionId;
use Stemmata\Storage\SectionForm;

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
    #[ORM\Column(length: 8192)]
    public string $aim = '';
    #[ORM\Column(nullable: true)]
    public ?int $target = null;
    #[ORM\Column(length: 16)]
    public string $marker = '';
    /** The document's revision that last changed this section's text. */
    #[ORM\Column]
    public int $revision = 1;

    public function __construct(
        #[ORM\Id]
        #[ORM\Column(length: 12)]
        public string $id,
        #[ORM\Column(length: 12)]
        public string $documentId,
    ) {
    }

    public function section(): Section
    {
        return new Section(
            SectionId::fromString($this->id),
            SectionForm::readHeading($this->heading, $this->headingInline),
            SectionForm::readBody($this->body),
            $this->aim,
            $this->target,
            Marker::from($this->marker),
        );
    }

    public function setSection(Section $section, int $words): void
    {
        $this->heading = $section->heading->plainText();
        $this->headingInline = $section->heading->isPlain() ? '' : SectionForm::json($section->heading->toJson());
        $this->body = SectionForm::json($section->body->toJson());
        $this->words = $words;
        $this->aim = $section->aim;
        $this->target = $section->target;
        $this->marker = $section->marker->value;
    }
}
