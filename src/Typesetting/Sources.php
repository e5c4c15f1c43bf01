<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;
use Stemmata\Typesetting\Markup\BlockTypst;
use Stemmata\Typesetting\Markup\InlineTypst;
use Stemmata\Typesetting\Markup\StyleTypst;
use Stemmata\Typesetting\Markup\TypstValue;

/**
 * A document as the engine reads it: a source of its own for each section, so that an edit lays out anew no more than it
 * must, and a short main one that names them in order. A section's source is made only when the engine asks for it.
 */
final readonly class Sources
{
    /** Letters, about, of a paragraph of plain words. */
    private const PLAIN_LENGTH = 2000;

    private Rendition $rendition;
    private Look $look;
    /** @var array<string, true> ids of sections whose words alone are printed, for they took the engine too long */
    private array $plain;

    /** @param int $simplified how often the engine gave up on this document: once, and its longest section is made plain */
    public function __construct(private Document $document, int $simplified = 0)
    {
        $this->rendition = Rendition::of($document);
        $this->look = new Look($document);
        $this->plain = array_fill_keys(HeavySections::of($document, $simplified), true);
    }

    /** @return list<string> ids of sections of which the words alone are printed */
    public function plain(): array
    {
        return array_keys($this->plain);
    }

    public function look(): string
    {
        return $this->look->source();
    }

    public function main(): string
    {
        $body = $this->look->findBodyBegin();
        $main = "#import \"book.typ\": *\n#show: book\n#title-page\n";
        foreach ($this->document->outline->ids() as $position => $id) {
            if ($position === $body) {
                $main .= "#begin-body\n#set page(numbering: \"1\")\n#counter(page).update(1)\n";
            }
            $main .= sprintf("#include \"sections/%s.typ\"\n", $id->value);
        }

        return $main . "#page-map\n";
    }

    /**
     * What each section's source is made of, in short: the same key, the same source.
     *
     * @param array<string, int> $revisions at which each section's text was last changed, by id
     *
     * @return array<string, string> by id, in order
     */
    public function keys(array $revisions): array
    {
        $outline = $this->document->outline;
        $references = $this->document->references();
        $language = $this->document->titleBlock->language;
        $style = $this->document->setup->style();
        $isBoxed = BlockTypst::boxes($style);
        $keys = [];
        foreach ($outline->ids() as $position => $id) {
            // A text of which nobody says when it was changed is like no other.
            $parts = [
                $language,
                $revisions[$id->value] ?? random_bytes(16),
                isset($this->plain[$id->value]),
                $isBoxed,
                ...$this->heading($position, $id->value),
            ];
            $refers = $references[$position] ?? null;
            if (null !== $refers) {
                $parts[] = $this->rendition->labelsOf($id->value);
                if ($refers->byHand > 0) {
                    // What is said by hand is said of the look of its kind.
                    $parts[] = $style;
                }
                if ($refers->hasContents) {
                    // A line of a list of illustrations names the page of a caption that is found by its words.
                    $captions ??= array_map(static fn(References $each): array => $each->captions, $references);
                    $parts[] = $captions;
                }
                foreach (array_keys($refers->links) as $target) {
                    $parts[] = $this->rendition->places->wordsOf((string) $target);
                }
            }
            $keys[$id->value] = hash('xxh128', serialize($parts));
        }

        return $keys;
    }

    /** @return array{string, array<string, Picture>} the source, and the pictures it shows by their hash */
    public function section(int $position): array
    {
        $inline = new InlineTypst($this->rendition);
        $section = $this->rendition->sectionAt($position);
        [$level, $number, $restart] = $this->heading($position, $section->id);
        $isOnOwnPage = !$section->level->isOpening() && BlockTypst::beginsWithOwnPage($section->blocks);
        $break = sprintf("#section-break(%d%s)\n", $level, $isOnOwnPage ? ', own-page: true' : '');
        $heading = sprintf(
            "#section(%s, %d, %s, [%s], %s%s%s)\n",
            TypstValue::string($section->id),
            $level,
            TypstValue::string($number),
            $section->level->isOpening() ? '' : $inline->of($section->heading),
            TypstValue::string(trim(strtr(Node::plainTextOf($section->heading), "\n", ' '))),
            null === $restart ? '' : ', number-at: ' . $restart,
            $section->shape->isEmpty()
                ? ''
                : ', look: ' .
                    StyleTypst::paragraph(
                        $section->shape->on(
                            $this->document->setup->style()->of(TextKind::Heading, max(1, $section->level->value)),
                        ),
                    ),
        );
        $source =
            "#import \"/book.typ\": *\n" .
            $break .
            (isset($this->plain[$section->id])
                ? $heading . $this->wordsAlone($section->blocks)
                : (new BlockTypst($inline, $this->rendition))->of($section->blocks, $section->id, $heading));

        return [$source, $inline->pictures];
    }

    /**
     * Paragraphs of a length that the engine sets in no time, whatever the words stood in.
     *
     * @param list<Node> $blocks
     */
    private function wordsAlone(array $blocks): string
    {
        $worded = Body::of($blocks)->mapped(
            fn(Node $part): Node => 'crossReference' === $part->type
                ? Node::text($this->rendition->places->crossReferenceWords($part))
                : $part,
        );
        $paragraphs = [];
        foreach ($worded->blocks as $block) {
            $words = strtr($block->plainText(), "\n\t", '  ');
            array_push($paragraphs, ...explode("\n", wordwrap($words, self::PLAIN_LENGTH)));
        }

        return implode(
            "\n\n",
            array_map(
                TypstValue::words(...),
                array_filter($paragraphs, static fn(string $each): bool => '' !== trim($each)),
            ),
        );
    }

    /** @return array{int, string, int|null} level, number, and the page number set there on purpose */
    private function heading(int $position, string $id): array
    {
        return [
            $this->document->outline->levelAt($position)->value,
            $this->rendition->number($position),
            $this->document->setup->pages()->restarts[$id] ?? null,
        ];
    }
}
