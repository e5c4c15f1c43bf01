<?php

declare(strict_types=1);

namespace Stemmata\Http;

use Stemmata\Core\LikelyHeading\LikelyHeadings;
use Stemmata\Core\LikelyHeading\LookGroup;
use Stemmata\Format\FormatException;
use Stemmata\Format\Formats;
use Stemmata\Http\View\Imported;
use Stemmata\Http\View\ReportLineView;
use Stemmata\Storage\Desk;
use Stemmata\Storage\DocumentStore;
use Stemmata\Storage\Facts;

/** From a file's bytes to a document on the desk. */
final readonly class Importing
{
    public function __construct(private Formats $formats, private Desk $desk, private DocumentStore $store, private Facts $facts)
    {
    }

    /**
     * @param \Closure(string, int, int): mixed $tell
     *
     * @throws FormatException
     */
    public function import(string $name, string $bytes, \Closure $tell): Imported
    {
        $tell('reading', 0, 0);
        $read = $this->formats->read($name, $bytes);
        $document = $read->document;
        $likely = array_sum(array_map(static fn (LookGroup $group): int => count($group->lines), LikelyHeadings::in($document)));
        $id = $this->desk->add($document, onSections: static fn (int $done): mixed => $tell('storing', $done, $document->outline->count()));
        $words = array_sum($this->facts->wordsInOrder($id, $document->outline));

        return new Imported($id, $this->store->get($id)->title, $document->outline->count(), $words, $likely, array_map(ReportLineView::of(...), $read->report->lines));
    }
}
