<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\ContentsBlock;

/** Rewords a line of contents by hand, leaves it out, or takes either back. A line that was added goes when it is left out. */
final readonly class ChangeContentsLine implements Operation
{
    /**
     * @param string      $line  what it is known by (`ContentsLines::keyOf`)
     * @param string|null $words empty for those of the heading again; null to leave them as they are
     * @param bool|null   $out   whether it is left out; null to leave that as it is
     */
    public function __construct(
        private ContentsBlock $block,
        private string $line,
        private ?string $words,
        private ?bool $out,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        $contents = $this->block->find($document);
        if ($contents instanceof Refused) {
            return $contents;
        }
        $lines = ContentsLines::kept($contents);
        foreach ($lines as $index => $line) {
            if (ContentsLines::keyOf($line) !== $this->line) {
                continue;
            }
            if (true === $this->out && isset($line['bookmark'])) {
                array_splice($lines, $index, 1);
            } else {
                $lines[$index] = $this->changed($line);
            }

            return $this->block->replaced($document, $contents, [...$contents->attributes, 'lines' => $lines]);
        }

        return Refused::noSuchLine();
    }

    /**
     * @param array{section: string, level: int, number: string, heading: string, words?: string, out?: true,
     *     bookmark?: string, caption?: int} $line
     *
     * @return array<string, mixed>
     */
    private function changed(array $line): array
    {
        $words = null === $this->words ? $line['words'] ?? '' : trim($this->words);
        $isOut = $this->out ?? isset($line['out']);
        unset($line['words'], $line['out']);

        return [
            ...$line,
            ...'' === $words || $words === $line['heading'] ? [] : ['words' => $words],
            ...$isOut ? ['out' => true] : [],
        ];
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->block->section);
    }

    public function describe(Document $before): string
    {
        return match ($this->out) {
            true => 'Left a line out of the contents',
            false => 'Took a line into the contents again',
            null => 'Reworded a line of the contents',
        };
    }
}
