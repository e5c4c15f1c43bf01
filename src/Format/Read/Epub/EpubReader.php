<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Epub;

use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Formats;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\DocumentReader;
use Stemmata\Format\Read\Html\Footnotes;
use Stemmata\Format\Read\Html\HtmlFlow;
use Stemmata\Format\Read\Html\HtmlTitle;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\Pictures;
use Stemmata\Format\Read\ReadResult;
use Stemmata\Format\Shared\FormatException;

/** Reads books in EPUB 2 and 3, page after page in the order of the spine. */
final readonly class EpubReader implements DocumentReader
{
    public function __construct(private IdSource $ids) {}

    public function endings(): array
    {
        return ['epub'];
    }

    public function maxBytes(): int
    {
        return Formats::MAX_BYTES;
    }

    public function read(string $bytes): ReadResult
    {
        $book = EpubPackage::open($bytes);
        $navigation = Navigation::of($book);
        $builder = new DocumentBuilder($this->ids);
        $pictures = new Pictures($builder);
        if ([] === $book->spine) {
            throw FormatException::damagedMarkup();
        }
        foreach ($book->spine as $path) {
            $page = $path === $book->navigation ? null : $book->page($path);
            if (null === $page) {
                $path === $book->navigation
                    ? $builder->contentsLeftOut()
                    : $builder->note(ImportNote::FileMissing, basename($path));
                continue;
            }
            $this->readPage($builder, $book, $page, $path, $navigation, $pictures);
        }

        return $builder->finished(
            new TitleBlock(
                $book->first('title'),
                '',
                implode(', ', $book->metadata['creator'] ?? []),
                language: HtmlTitle::languageOr($book->first('language'), 'en'),
                // The day, without the hour that programs add.
                date: (string) preg_replace('/(?<=\d)T\d.*\z/', '', $book->first('date')),
            ),
        );
    }

    private function readPage(
        DocumentBuilder $builder,
        EpubPackage $book,
        \DOMDocument $page,
        string $path,
        Navigation $navigation,
        Pictures $pictures,
    ): void {
        $body = $page->getElementsByTagName('body')->item(0);
        if (
            null === $body ||
            1 === preg_match('/\b(?:cover|toc)\b/', $body->getAttribute('epub:type')) ||
            self::isCover($body)
        ) {
            return;
        }
        $surroundings = new EpubPage($builder, $book, $pictures, $path);
        if (
            1 === preg_match('/\btitlepage\b/', $body->getAttribute('epub:type')) ||
            ($builder->isEmpty() && self::isTitlePage($body, $book->first('title')))
        ) {
            (new HtmlFlow($builder, $page, $surroundings, Footnotes::in($page)))->titlePageParts($body);

            return;
        }
        $builder->anchorForNext($path);
        $isOpening = $builder->isEmpty() && self::dropRepeatedTitle($page, $book->first('title'));
        $entry = $isOpening ? null : $navigation->findEntry($path);
        $level = self::firstLevel($page);
        if (null !== $entry && null === $level && '' !== $entry['label']) {
            $builder->heading($entry['depth'], [Node::text($entry['label'])]);
            $builder->note(ImportNote::HeadingFromContents, $entry['label']);
        }
        // Chapters of a part often begin at the same level as the part; the book's contents tell that they stand under
        // it.
        $shift = null === $entry || null === $level ? 0 : max(0, $entry['depth'] - $level);
        (new HtmlFlow($builder, $page, $surroundings, Footnotes::in($page), $shift))->read($body);
    }

    /** A page that holds a picture and nothing else, at the very front, is the book's cover. */
    private static function isCover(\DOMElement $body): bool
    {
        return '' === trim($body->textContent) &&
            1 ===
                preg_match(
                    '/\bcover/i',
                    implode(' ', [
                        $body->getAttribute('id'),
                        $body->getAttribute('class'),
                        $body->ownerDocument?->getElementsByTagName('title')->item(0)->textContent ?? '',
                    ]),
                );
    }

    /** A page at the front with the title and what goes with it: subtitle, names, a date. */
    private static function isTitlePage(\DOMElement $body, string $title): bool
    {
        $words = trim((string) preg_replace('/\s+/u', ' ', $body->textContent));
        foreach ($body->getElementsByTagName('p') as $paragraph) {
            if (
                !in_array(
                    $paragraph->getAttribute('class'),
                    ['subtitle', 'author', 'date', 'publisher', 'rights'],
                    true,
                )
            ) {
                return false;
            }
        }

        return '' !== $title && str_starts_with($words, $title) && mb_strlen($words) < mb_strlen($title) + 300;
    }

    /** The book's title over its first words is no chapter. */
    private static function dropRepeatedTitle(\DOMDocument $page, string $title): bool
    {
        $first = $page->getElementsByTagName('h1')->item(0);
        if (null !== $first && trim((string) preg_replace('/\s+/u', ' ', $first->textContent)) === $title) {
            $first->parentNode?->removeChild($first);

            return true;
        }

        return false;
    }

    private static function firstLevel(\DOMDocument $page): ?int
    {
        $headings = (new \DOMXPath($page))->query(
            '//body//*[self::h1 or self::h2 or self::h3 or self::h4 or self::h5 or self::h6 or @role="heading"]',
        );
        $first = false === $headings ? null : $headings->item(0);
        if (!($first instanceof \DOMElement)) {
            return null;
        }

        return (int) ($first->getAttribute('aria-level') ?: substr((string) $first->localName, 1)) ?: 1;
    }
}
