<?php

declare(strict_types=1);

namespace Stemmata\Core\Rendition;

use Stemmata\Core\Calculation\Calculation;
use Stemmata\Core\Calculation\Effort;
use Stemmata\Core\Calculation\Solved;
use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Counting\CaptionNumbers;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Numbering\Numbers;
use Stemmata\Core\Numbering\SectionNumber;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\CaptionKind;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;

/**
 * A document as it is written into a file, whatever the format: the number of each section, the names of places, the
 * words of cross-references, the lines of contents, the results of calculations. Computed once, here; a format only
 * puts it into its own signs.
 */
final readonly class Rendition
{
    /** @param list<SectionNumber|null> $counted by position */
    private function __construct(
        public Document $document,
        public RenditionOptions $options,
        private array $counted,
        public Places $places,
        private Effort $effort,
        private CaptionNumbers $captions,
    ) {}

    /** @param Document $document the whole, or a branch of one (`Document::part`) */
    public static function of(Document $document, RenditionOptions $options = new RenditionOptions()): self
    {
        // What is taken over into another document is counted there.
        $document = $options->keepsNumbers ? $document : $document->withOutline($document->outline);

        $captions = CaptionNumbers::of($document);

        return new self(
            $document,
            $options,
            self::numbersOf($document),
            Places::in($document, $captions),
            new Effort(),
            $captions,
        );
    }

    public function titleBlock(): TitleBlock
    {
        return $this->document->titleBlock;
    }

    /** Whether this is a branch, which is called by its first heading and has no title page of its own. */
    public function isBranch(): bool
    {
        return null !== $this->document->whole;
    }

    /** @return iterable<int, RenderedSection> in order, by position */
    public function sections(): iterable
    {
        foreach ($this->document->sections() as $position => $section) {
            yield $position => $this->rendered($position, $section);
        }
    }

    public function sectionAt(int $position): RenderedSection
    {
        return $this->rendered($position, $this->document->sectionAt($position));
    }

    private function rendered(int $position, Section $section): RenderedSection
    {
        return new RenderedSection(
            $section->id->value,
            $position,
            $this->document->outline->levelAt($position),
            $this->document->outline->flagsAt($position),
            $this->number($position),
            $this->places->findName($section->id->value),
            $section->heading->inline,
            $this->labelled($section),
            $section->shape,
        );
    }

    /**
     * The text of a section, in which pictures and tables that bear a number are told it as the attribute `label`.
     *
     * @return list<Node>
     */
    private function labelled(Section $section): array
    {
        $labels = $this->labelsOf($section->id->value);
        if ([] === array_filter($labels)) {
            return $section->body->blocks;
        }
        $labelled = new \SplObjectStorage();
        foreach ($section->body->walk() as $node) {
            if (null !== CaptionKind::tryFrom($node->type)) {
                $labelled[$node] = (string) array_shift($labels);
            }
        }

        return $section->body->mapped(
            static fn(Node $node): Node => '' === ($labelled[$node] ?? '')
                ? $node
                : $node->withAttributes([...$node->attributes, 'label' => $labelled[$node]]),
        )->blocks;
    }

    /** @return list<string> what the pictures and tables of a section are called, in order */
    public function labelsOf(string $section): array
    {
        return $this->captions->labels[$section] ?? [];
    }

    /** What is written before the words of a caption, such as “Figure 3. ”; empty without a number. */
    public static function captionLead(Node $captioned): string
    {
        $label = $captioned->textAttribute('label');

        return '' === $label ? '' : $label . '. ';
    }

    /** The number of the section at a position, such as “3.2” or “Appendix B”; empty for none. */
    public function number(int $position): string
    {
        return $this->counted($position)?->label() ?? '';
    }

    /** The same, taken apart. */
    public function counted(int $position): ?SectionNumber
    {
        return $this->counted[$position] ?? null;
    }

    /** Whether a program that counts the sections of this file from 1 on comes to the same numbers. */
    public function countsFromOne(): bool
    {
        return !$this->isBranch() ||
            $this->counted == self::numbersOf($this->document->withOutline($this->document->outline));
    }

    /** @return list<ContentsLine> of a contents block, as they were when it was last refreshed */
    public function contentsLines(Node $contents): array
    {
        $hasNumbers = true === $contents->attribute('numbers');
        $lines = [];
        $targets = ContentsLines::targets($this->document, $contents);
        foreach (ContentsLines::kept($contents) as $index => $line) {
            if (isset($line['out'])) {
                continue;
            }
            $end = isset($line['caption']) ? '. ' : ' ';
            $number = $hasNumbers ? $line['number'] : '';
            $lines[] = new ContentsLine(
                $line['section'],
                $line['level'],
                ('' === $number ? '' : $number . $end) . ContentsLines::wordsOf($line),
                $this->places->findName($line['bookmark'] ?? $line['section']) ?? $line['section'],
                isset($line['caption']) ? 'caption' : (isset($line['bookmark']) ? 'bookmark' : 'section'),
                $targets[$index] ?? '',
                isset($line['caption']) ? '' : $number,
                isset($line['bookmark']) ? $line['heading'] : $line['words'] ?? null,
                ContentsLines::keyOf($line),
            );
        }

        return $lines;
    }

    /**
     * @return list<array{string, int|null}> of each line that the writer left out, its section; and of a caption, which of
     *     the lines of that section it is, from 0 on
     */
    public function leftOutOf(Node $contents): array
    {
        $out = [];
        $met = [];
        foreach (ContentsLines::kept($contents) as $line) {
            $which = null;
            if (isset($line['caption'])) {
                $which = $met[$line['section']] ?? 0;
                $met[$line['section']] = 1 + $which;
            }
            if (isset($line['out'])) {
                $out[] = [$line['section'], $which];
            }
        }

        return $out;
    }

    /** What a calculation comes to; null when it cannot be worked out. */
    public function findResult(Node $calculation): ?string
    {
        $answer = Calculation::of(self::expression($calculation), $this->effort, $this->document->titleBlock->language);

        return $answer instanceof Solved ? $answer->result : null;
    }

    /** A calculation on one line. */
    public static function expression(Node $calculation): string
    {
        return strtr($calculation->plainText(), "\n", ' ');
    }

    /**
     * The id of the place in the file that a link or a cross-reference leads to; null for an address, or a place left
     * out.
     */
    public function findPlaceId(string $target): ?string
    {
        $id = LinkTarget::findInnerId($target);

        return null !== $id && null !== $this->places->findName($id) ? $id : null;
    }

    /** The bytes of what a picture's address names; null for a picture that lies elsewhere or is no longer kept. */
    public function findPicture(string $address): ?Picture
    {
        $hash = Picture::findHash($address);

        return null === $hash ? Picture::findInDataAddress($address) : $this->document->findPicture($hash);
    }

    /** A picture's address in a file that stands alone: it holds the picture. */
    public function pictureAddress(string $address): string
    {
        return null === Picture::findHash($address) ? $address : $this->findPicture($address)?->dataAddress() ?? '';
    }

    /** @return list<SectionNumber|null> a part keeps the numbers that it has in the whole */
    private static function numbersOf(Document $document): array
    {
        $whole = $document->whole;
        if (null === $whole || 0 === $document->outline->count()) {
            return Numbers::counted($document->outline, $document->setup->numbering);
        }
        $counted = Numbers::counted($whole->outline, $whole->setup->numbering);
        $positions = $whole->outline->positions();

        return array_map(
            static fn(SectionId $id): ?SectionNumber => $counted[$positions[$id->value] ?? -1] ?? null,
            $document->outline->ids(),
        );
    }
}
