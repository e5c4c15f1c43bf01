<?php

declare(strict_types=1);

namespace Stemmata\Storage\History;

use Stemmata\Core\Document\TitleBlock;
use Stemmata\Storage\Database\Row;

/** What is said of a document, as journals and files between two processes hold it. */
final class TitleBlockForm
{
    /** @return array<mixed> */
    public static function written(TitleBlock $block): array
    {
        return get_object_vars($block);
    }

    public static function read(Row $row): TitleBlock
    {
        return new TitleBlock(
            $row->text('title'),
            $row->text('subtitle'),
            $row->text('author'),
            $row->text('guidingStatement'),
            $row->findInteger('target'),
            $row->text('language'),
            // Journals from before documents had one say nothing of a date.
            $row->findText('date') ?? '',
            $row->findText('question') ?? '',
        );
    }
}
