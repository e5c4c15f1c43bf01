<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\CellGrid;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;

/** Reads a table of running text. Cells may span others. */
final readonly class HtmlTable
{
    public function __construct(private HtmlInline $inline, private DocumentBuilder $builder) {}

    /** @return list<Node> */
    public function blocksOf(\DOMElement $table, ?\DOMElement $caption = null): array
    {
        $grid = new CellGrid();
        foreach (self::rows($table) as $row) {
            $grid->beginRow();
            foreach ($row->childNodes as $cell) {
                if ($cell instanceof \DOMElement && in_array($cell->localName, ['td', 'th'], true)) {
                    $grid->cell(
                        $this->cell($cell),
                        (int) $cell->getAttribute('colspan'),
                        (int) $cell->getAttribute('rowspan'),
                    );
                }
            }
        }
        $rows = $grid->rows();
        $caption ??= HtmlTree::first($table, 'caption');
        $words = null === $caption ? [] : $this->inline->of($caption);
        $stray = $this->strayText($table);
        if ([] === $rows) {
            return [...[] === $words ? [] : [Node::paragraph($words)], ...$stray];
        }

        $isLandscape = 1 === preg_match('/(?:^|;)\s*page:\s*landscape\s*(?:;|$)/i', $table->getAttribute('style'));

        return [
            new Node('table', $isLandscape ? ['landscape' => true] : [], [
                new Node('caption', content: $words),
                ...$rows,
            ]),
            ...$stray,
        ];
    }

    /**
     * What stands in a table but in no cell is out of place, yet it is text.
     *
     * @return list<Node>
     */
    private function strayText(\DOMElement $within): array
    {
        $stray = [];
        foreach ($within->childNodes as $child) {
            $name = $child->localName;
            if (in_array($name, ['thead', 'tbody', 'tfoot', 'tr'], true) && $child instanceof \DOMElement) {
                array_push($stray, ...$this->strayText($child));
            } elseif (!in_array($name, ['td', 'th', 'caption', 'colgroup', 'col'], true)) {
                $inline = $this->inline->ofNodes([$child]);
                array_push($stray, ...[] === $inline ? [] : [Node::paragraph($inline)]);
            }
        }

        return $stray;
    }

    /** @return list<\DOMElement> rows of this table, not of tables in its cells */
    private static function rows(\DOMElement $table): array
    {
        $rows = [];
        foreach ($table->childNodes as $child) {
            if ($child instanceof \DOMElement && in_array($child->localName, ['thead', 'tbody', 'tfoot'], true)) {
                array_push($rows, ...self::rows($child));
            } elseif ($child instanceof \DOMElement && 'tr' === $child->localName) {
                $rows[] = $child;
            }
        }

        return $rows;
    }

    private function cell(\DOMElement $cell): Node
    {
        if (null !== HtmlTree::first($cell, 'table')) {
            $this->builder->note(ImportNote::TableInTable);
        }

        $align = strtolower($cell->getAttribute('align'));
        if (
            '' === $align &&
            1 === preg_match('/text-align:\s*(left|center|right)/', $cell->getAttribute('style'), $match)
        ) {
            $align = $match[1];
        }

        return new Node(
            'tableCell',
            [
                'header' => 'th' === $cell->localName,
                'align' => in_array($align, ['left', 'center', 'right'], true) ? $align : null,
            ],
            $this->inline->of($cell),
        );
    }
}
