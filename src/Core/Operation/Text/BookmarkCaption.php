<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Link\BookmarkName;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\FreeNames;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Caption;
use Stemmata\Core\Text\Node;

/** Names a picture or a table after its caption, so that links and cross-references can lead to it. */
final readonly class BookmarkCaption implements Operation
{
    /** Of a name that is made from a caption (characters). */
    private const LONGEST_NAME = 24;

    /** @param int $index which of the pictures and tables of the section, from 0 on */
    public function __construct(private SectionId $section, private int $index, private SectionId $bookmark) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if (!$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        $section = $document->section($this->section);
        $captions = array_values(
            array_filter(
                iterator_to_array($section->body->walk(), false),
                static fn(Node $node): bool => null !== Caption::findOf($node),
            ),
        );
        $captioned = $captions[$this->index] ?? null;
        $words = null === $captioned ? '' : Caption::findOf($captioned)->words ?? '';
        if (null === $captioned || '' === $words) {
            return Refused::noCaption();
        }
        $name = BookmarkName::madeFrom(mb_substr($words, 0, self::LONGEST_NAME));
        $bookmark = new Node('bookmark', [
            'id' => $this->bookmark->value,
            'name' => (new FreeNames($document))->for($name),
        ]);
        $named = Caption::withInline($captioned, [$bookmark, ...Caption::inlineOf($captioned)]);

        return new Applied(
            $document->withSection(
                $section->withBody(
                    $section->body->mapped(static fn(Node $node): Node => $node === $captioned ? $named : $node),
                ),
            ),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Named a caption';
    }
}
