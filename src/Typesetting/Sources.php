<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;
use Stemmata\Typesetting\Markup\BlockTypst;
use Stemmata\Typesetting\Markup\InlineTypst;
use Stemmata\Typesetting\Markup\TypstValue;

/**
 * A document as the engine reads it: a source of its own for each section, so that an edit lays out anew no more than it
 * must, and a short main one that names them in order. A section's source is made only when the engine asks for it.
 */
final readonly class Sources
{
    private Rendition $rendition;
    private Look $look;

    public function __construct(private Document $document)
    {
        $this->rendition = Rendition::of($document);
        $this->look = new Look($document);
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
        $keys = [];
        foreach ($outline->ids() as $position => $id) {
            // A text of which nobody says when it was changed is like no other.
            $parts = [$language, $revisions[$id->value] ?? random_bytes(16), ...$this->heading($position, $id->value)];
            $refers = $references[$position] ?? null;
            if (null !== $refers) {
                $parts[] = $this->rendition->labelsOf($id->value);
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
        $source = sprintf(
            "#import \"/book.typ\": *\n#section(%s, %d, %s, [%s], %s%s%s)\n%s",
            TypstValue::string($section->id),
            $level,
            TypstValue::string($number),
            $section->level->isOpening() ? '' : $inline->of($section->heading),
            TypstValue::string(trim(strtr(Node::plainTextOf($section->heading), "\n", ' '))),
            null === $restart ? '' : ', number-at: ' . $restart,
            !$section->level->isOpening() && BlockTypst::beginsWithOwnPage($section->blocks) ? ', own-page: true' : '',
            (new BlockTypst($inline, $this->rendition))->of($section->blocks, $section->id),
        );

        return [$source, $inline->pictures];
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
