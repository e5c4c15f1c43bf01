<?php

declare(strict_types=1);

namespace Stemmata\Core\Speech;

use Stemmata\Core\Document\Filler;
use Stemmata\Core\Rendition\RenderedSection;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\Node;

/**
 * A section as it is read aloud: numbers of headings and pictures by what their alternative texts say, notes after their
 * sentence or not at all; no address, no file name, no contents, nothing that is only drawn.
 */
final readonly class SpeechText
{
    /** Blocks of which nothing is said. */
    private const SILENT = ['contents', 'separator', 'pageBreak', 'unreadable'];

    private function __construct(private Rendition $rendition, private bool $withNotes) {}

    /** @return list<Utterance> in reading order, none of them empty */
    public static function of(Rendition $rendition, RenderedSection $section, bool $withNotes): array
    {
        $speech = new self($rendition, $withNotes);
        $said = [];
        $heading = $speech->line($section->heading, 0, '' === $section->number ? '' : $section->number . '. ', true);
        if ('' !== trim($heading->words)) {
            $said[] = $heading;
        }
        $at = 0;
        foreach ($section->blocks as $block) {
            array_push($said, ...$speech->block($block, $at));
            $at += $block->size();
        }

        return array_values(
            array_filter($said, static fn(Utterance $each): bool => 1 === preg_match('/[\p{L}\p{N}]/u', $each->words)),
        );
    }

    /** @return list<Utterance> */
    private function block(Node $block, int $at): array
    {
        if (in_array($block->type, self::SILENT, true) || Filler::is($block)) {
            return [];
        }
        if ('formulaBlock' === $block->type) {
            return [new Utterance($block->plainText(), false, [])];
        }
        if ('calculation' === $block->type) {
            $result = $this->rendition->findResult($block);

            return [
                new Utterance(Rendition::expression($block) . (null === $result ? '' : ' = ' . $result), false, []),
            ];
        }
        if ('figure' === $block->type) {
            return [$this->figure($block, $at)];
        }
        if ('tableRow' === $block->type) {
            return [$this->row($block, $at)];
        }
        if (in_array($block->type, ['paragraph', 'codeBlock', 'caption'], true)) {
            return [
                $this->line($block->content, $at + 1, 'caption' === $block->type ? Rendition::captionLead($block) : ''),
            ];
        }
        $said = [];
        $inner = $at + 1;
        foreach ($block->content as $child) {
            $labelled =
                'caption' === $child->type && '' !== $block->textAttribute('label')
                    ? $child->withAttributes(['label' => $block->textAttribute('label')])
                    : $child;
            array_push($said, ...$this->block($labelled, $inner));
            $inner += $child->size();
        }

        return $said;
    }

    /** A picture: its number and caption, and what is to be seen on it. */
    private function figure(Node $figure, int $at): Utterance
    {
        $caption = $this->line($figure->content, $at + 1, Rendition::captionLead($figure));
        $alt = self::sayable(self::alternative($figure));
        if ('' === $alt) {
            return $caption;
        }

        return new Utterance(
            ('' === trim($caption->words) ? '' : self::ended($caption->words) . ' ') . $alt,
            false,
            $caption->stretches,
        );
    }

    /** The cells of a row, one after the other. */
    private function row(Node $row, int $at): Utterance
    {
        $said = new Said();
        $inner = $at + 1;
        foreach ($row->content as $cell) {
            if ('' !== $said->words() && '' !== trim($cell->plainText())) {
                $said->add(', ');
            }
            $this->parts($cell->content, $inner + 1, $said);
            $inner += $cell->size();
        }

        return $said->utterance(false);
    }

    /** @param list<Node> $inline */
    private function line(array $inline, int $at, string $lead = '', bool $isInHeading = false): Utterance
    {
        $said = new Said($lead);
        $this->parts($inline, $at, $said);

        return $said->utterance($isInHeading);
    }

    /** @param list<Node> $inline */
    private function parts(array $inline, int $at, Said $said): void
    {
        foreach ($inline as $part) {
            match ($part->type) {
                'text' => $said->addWritten($part->text, $at),
                'hardBreak' => $said->add(' '),
                'image' => $said->add(self::sayable(self::alternative($part))),
                'formula' => $said->add($part->plainText()),
                'crossReference' => $said->add($this->rendition->places->crossReferenceWords($part)),
                'footnote' => $this->withNotes ? $said->note($this->line($part->content, $at + 1)) : null,
                // Bookmarks and reminders are not said.
                default => null,
            };
            $at += $part->size();
        }
    }

    private static function alternative(Node $picture): string
    {
        return true === $picture->attribute('decorative') ? '' : trim($picture->textAttribute('alt'));
    }

    /** A file name is no description: nothing is said of a picture that has no other. */
    private static function sayable(string $alternative): string
    {
        return 1 === preg_match('/\A\S+\.[a-z0-9]{2,5}\z/i', $alternative) ? '' : $alternative;
    }

    private static function ended(string $words): string
    {
        $words = rtrim($words);

        return 1 === preg_match('/[.!?…:;。]\z/u', $words) ? $words : $words . '.';
    }
}
