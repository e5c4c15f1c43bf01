<?php

declare(strict_types=1);

namespace Stemmata\Http\TextIn;

use Stemmata\Format\Shared\FormatException;
use Stemmata\Http\Request\UploadedBytes;
use Stemmata\Http\TextIn\View\Imported;
use Stemmata\Http\TextIn\View\ReportLineView;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Document\StagedDocument;
use Stemmata\Storage\Section\Facts;

/** From a file's bytes to a document on the desk. */
final readonly class Importing
{
    public function __construct(
        private ReadingWorker $worker,
        private Desk $desk,
        private DocumentStore $store,
        private Facts $facts,
    ) {}

    /**
     * @param \Closure(string, int, int): mixed $progress
     *
     * @throws FormatException
     */
    public function import(string $name, UploadedBytes $file, \Closure $progress): Imported
    {
        $progress('reading', 0, 0);

        return $this->worker->read($name, $file, static fn(): mixed => $progress('reading', 0, 0), function (
            StagedDocument $staged,
        ) use ($progress): Imported {
            $count = $staged->outline->count();
            $id = $this->desk->add(
                $staged,
                onSections: static fn(int $done): mixed => $progress('storing', $done, $count),
            );
            $words = array_sum($this->facts->wordsInOrder($id, $staged->outline));
            $likely = $staged->about['likelyHeadings'] ?? 0;

            return new Imported(
                $id,
                $this->store->get($id)->title,
                $count,
                $words,
                is_int($likely) ? $likely : 0,
                ReportLineView::read($staged->about['report'] ?? []),
            );
        });
    }
}
