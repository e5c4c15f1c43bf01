<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\PlacesLedTo;

/** What became of a file: what was kept, changed, lost, and what the reader was not sure of. */
final readonly class ImportReport
{
    private const COUNTED = [
        'heading' => ['heading', 'headings'],
        'paragraph' => ['paragraph', 'paragraphs'],
        'quotation' => ['quotation', 'quotations'],
        'listItem' => ['list item', 'list items'],
        'table' => ['table', 'tables'],
        'figure' => ['picture', 'pictures'],
        'codeBlock' => ['piece of code', 'pieces of code'],
        'footnote' => ['footnote', 'footnotes'],
        'bookmark' => ['bookmark', 'bookmarks'],
        'inner' => ['link within the text', 'links within the text'],
        'outer' => ['link to the web or to mail', 'links to the web or to mail'],
        'pageBreak' => ['page break', 'page breaks'],
        'calculation' => ['calculation', 'calculations'],
    ];

    /** @param list<ReportLine> $lines */
    private function __construct(public array $lines) {}

    /** @param list<ReportLine> $notes */
    public static function of(Document $document, array $notes): self
    {
        $kept = [];
        foreach (self::counts($document) as $kind => $count) {
            [$one, $many] = self::COUNTED[$kind];
            $kept[] = new ReportLine(
                ReportKind::Kept,
                number_format($count) . ' ' . (1 === $count ? $one : $many),
                $count,
                [],
            );
        }

        return new self([...$kept, ...$notes]);
    }

    public function with(ImportNote $note): self
    {
        return new self([...$this->lines, new ReportLine($note->kind(), $note->sentence(1), 1, [])]);
    }

    /**
     * @return list<string> all that did not go into the document as it stood in the file, each with its first places
     */
    public function warnings(): array
    {
        $warnings = [];
        foreach ($this->lines as $line) {
            if (ReportKind::Kept !== $line->kind) {
                $details = array_values(
                    array_unique(array_filter(array_column(array_slice($line->places, 0, 5), 'detail'))),
                );
                $warnings[] =
                    $line->sentence .
                    ([] === $details ? '' : ' (' . implode('; ', $details) . ($line->count > 5 ? '; …' : '') . ')');
            }
        }

        return $warnings;
    }

    /** @return list<string> what is not in the document at all */
    public function losses(): array
    {
        return array_values(
            array_map(
                static fn(ReportLine $line): string => $line->sentence,
                array_filter($this->lines, static fn(ReportLine $line): bool => ReportKind::Lost === $line->kind),
            ),
        );
    }

    /** @return array<string, int> in the order of COUNTED, none of them nought */
    private static function counts(Document $document): array
    {
        $counts = array_fill_keys(array_keys(self::COUNTED), 0);
        foreach ($document->sections() as $position => $section) {
            $counts['heading'] += $document->outline->levelAt($position)->isOpening() ? 0 : 1;
            foreach ([...$section->heading->inline, ...$section->body->blocks] as $part) {
                foreach ($part->walk() as $node) {
                    self::count($node, $counts);
                }
            }
        }

        return array_filter($counts);
    }

    /** @param array<string, int> $counts */
    private static function count(Node $node, array &$counts): void
    {
        $kind = 'image' === $node->type ? 'figure' : $node->type;
        if (isset($counts[$kind])) {
            ++$counts[$kind];
        }
        $target = $node->findMark('link')?->attribute('href');
        if (is_string($target) || 'crossReference' === $node->type) {
            ++$counts[[] !== PlacesLedTo::idsOf($node) || str_starts_with((string) $target, '#') ? 'inner' : 'outer'];
        }
    }
}
