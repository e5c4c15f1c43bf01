<?php

declare(strict_types=1);

namespace Stemmata\Core\Starter;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\RequiredPart;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;

/** A ready outline: headings with their aims, some of them required, and how they are numbered. */
final readonly class Starter
{
    /** @param list<StarterPart> $parts */
    public function __construct(
        public string $id,
        public string $name,
        public string $description,
        public array $parts,
        public Scheme $numbering,
        public string $guidingStatement = '',
    ) {}

    /** A new document with this outline and no text; without any outline, an empty text to write in. */
    public function opened(string $title, IdSource $ids): Document
    {
        $sections = [];
        $flags = '';
        $required = [];
        foreach ($this->parts as $part) {
            $section = new Section(
                $ids->next(),
                Heading::plain($part->heading),
                Body::empty(),
                $part->aim,
                $part->target,
            );
            $sections[] = [Level::ofHeading($part->level), $section];
            $flags .= dechex(
                ($part->isNumbered ? 0 : Outline::UNNUMBERED) | ($part->isAppendix ? Outline::APPENDIX : 0),
            );
            if ($part->isRequired) {
                $required[] = new RequiredPart($part->heading, $section->id);
            }
        }
        if ([] === $sections) {
            $sections = [[Level::Opening, Section::blank($ids->next())]];
            $flags = '0';
        }
        $document = Document::of(new TitleBlock($title, guidingStatement: $this->guidingStatement), $sections);

        return $document
            ->withOutline(Outline::packed($document->outline->ids, $document->outline->levels, $flags))
            ->withSetup(new Setup($this->numbering, $required));
    }

    /** The outline of a document, without its text, to begin others from. */
    public static function of(string $id, string $name, Document $document): self
    {
        $required = array_map(
            static fn(RequiredPart $part): string => $part->section->value,
            $document->setup->requiredParts,
        );
        $parts = [];
        foreach ($document->sections() as $position => $section) {
            $level = $document->outline->levelAt($position);
            if ($level->isOpening()) {
                continue;
            }
            $parts[] = new StarterPart(
                $level->value,
                $section->heading->plainText(),
                $section->aim,
                $section->target,
                in_array($section->id->value, $required, true),
                $document->outline->isNumberedAt($position),
                0 !== ($document->outline->flagsAt($position) & Outline::APPENDIX),
            );
        }

        // Counting set to a number at one section of the old document means nothing in a new one.
        return new self(
            $id,
            $name,
            '',
            $parts,
            $document->setup->numbering->withStarts([]),
            $document->titleBlock->guidingStatement,
        );
    }

    /** @return array<string, mixed> */
    public function toJson(): array
    {
        return [
            'numbering' => $this->numbering->toJson(),
            'guidingStatement' => $this->guidingStatement,
            'parts' => array_map(get_object_vars(...), $this->parts),
        ];
    }

    /** @param array<mixed> $json as toJson() made it */
    public static function fromJson(string $id, string $name, array $json): self
    {
        $parts = [];
        foreach (is_array($json['parts'] ?? null) ? $json['parts'] : [] as $part) {
            if (is_array($part) && is_int($part['level'] ?? null) && is_string($part['heading'] ?? null)) {
                $parts[] = new StarterPart(
                    $part['level'],
                    $part['heading'],
                    is_string($part['aim'] ?? null) ? $part['aim'] : '',
                    is_int($part['target'] ?? null) ? $part['target'] : null,
                    true === ($part['isRequired'] ?? false),
                    false !== ($part['isNumbered'] ?? true),
                    true === ($part['isAppendix'] ?? false),
                );
            }
        }

        return new self(
            $id,
            $name,
            '',
            $parts,
            Scheme::fromJson($json['numbering'] ?? null),
            is_string($json['guidingStatement'] ?? null) ? $json['guidingStatement'] : '',
        );
    }
}
