<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Text;

use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\DocumentReader;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\ReadResult;
use Stemmata\Format\Shared\FormatException;

/**
 * Reads plain text: paragraphs, lists, verse, separators. Lines that say of themselves that they are chapters become
 * headings; lines that only look like it are left for the writer to judge (Core\LikelyHeading).
 */
final readonly class TextReader implements DocumentReader
{
    public function __construct(private IdSource $ids) {}

    public function endings(): array
    {
        return ['txt', 'text'];
    }

    public function maxBytes(): int
    {
        return 48 * 1024 * 1024;
    }

    public function read(string $bytes): ReadResult
    {
        [$text, $isGuessed] = TextEncoding::inUtf8($bytes);
        if ('' === trim($text)) {
            throw FormatException::isEmpty();
        }
        $builder = new DocumentBuilder($this->ids);
        if ($isGuessed) {
            $builder->note(ImportNote::EncodingGuessed);
        }
        $cut = TextBlocks::of($text);
        for ($count = $cut->runningHeads; $count > 0; --$count) {
            $builder->note(ImportNote::RunningHeadLeftOut);
        }
        for ($count = $cut->pageNumbers; $count > 0; --$count) {
            $builder->note(ImportNote::PageNumberLeftOut);
        }
        (new TextFlow($builder, $cut->blocks))->read();

        return $builder->finished(new TitleBlock());
    }
}
