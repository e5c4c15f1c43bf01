<?php

declare(strict_types=1);

namespace Stemmata\Core\Speech;

use Stemmata\Core\Text\Utf16;

/** What is said, as it is put together. A note waits for the end of the sentence that it belongs to. */
final class Said
{
    /** An address of the web or of mail, written out in the text: nothing is said of it. */
    private const ADDRESS = '~(?:https?://|www\.)[^\s<>"”’)\]]+[^\s<>"”’)\].,;:!?]|[\w.+-]+@[\w-]+(?:\.[\w-]+)+~u';
    private const SENTENCE_END = '/[.!?…。！？]["”’»)\]]*(?=\s|\z)/u';

    private string $words;
    /** @var list<array{int, int, int}> */
    private array $stretches = [];
    /** @var list<Utterance> */
    private array $notes = [];

    public function __construct(string $lead = '')
    {
        $this->words = $lead;
    }

    public function words(): string
    {
        return $this->words;
    }

    public function add(string $words): void
    {
        $this->words .= $words;
    }

    /** @param int $at where it stands, as the editor counts */
    public function addWritten(string $text, int $at): void
    {
        while ([] !== $this->notes && 1 === preg_match(self::SENTENCE_END, $text, $found, \PREG_OFFSET_CAPTURE)) {
            $end = (int) $found[0][1] + strlen($found[0][0]);
            $this->write(substr($text, 0, $end), $at);
            $at += Utf16::length(substr($text, 0, $end));
            $text = substr($text, $end);
            $this->sayNotes();
        }
        $this->write($text, $at);
    }

    public function note(Utterance $note): void
    {
        $this->notes[] = $note;
        // A note behind the full stop belongs to the sentence that ends there.
        if (1 === preg_match('/[.!?…。！？]["”’»)\]]*\z/u', $this->words)) {
            $this->sayNotes();
        }
    }

    public function utterance(bool $isInHeading): Utterance
    {
        $this->sayNotes();

        return new Utterance($this->words, $isInHeading, $this->stretches);
    }

    private function write(string $text, int $at): void
    {
        $from = 0;
        preg_match_all(self::ADDRESS, $text, $found, \PREG_OFFSET_CAPTURE);
        foreach ($found[0] as [$address, $start]) {
            $this->stretch(substr($text, $from, $start - $from), $at + Utf16::length(substr($text, 0, $from)));
            $from = $start + strlen($address);
        }
        $this->stretch(substr($text, $from), $at + Utf16::length(substr($text, 0, $from)));
    }

    private function stretch(string $text, int $at): void
    {
        if ('' === $text) {
            return;
        }
        $this->stretches[] = [Utf16::length($this->words), $at, Utf16::length($text)];
        $this->words .= $text;
    }

    private function sayNotes(): void
    {
        foreach ($this->notes as $note) {
            $lead = $this->words;
            $this->words = rtrim($lead) === $lead && '' !== $lead ? $lead . ' ' : $lead;
            $from = Utf16::length($this->words);
            foreach ($note->stretches as [$in, $at, $length]) {
                $this->stretches[] = [$from + $in, $at, $length];
            }
            $this->words .= rtrim($note->words);
        }
        $this->notes = [];
    }
}
