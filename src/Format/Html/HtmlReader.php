<?php

declare(strict_types=1);

namespace Stemmata\Format\Html;

use Stemmata\Core\IdSource;
use Stemmata\Core\TitleBlock;
use Stemmata\Format\DocumentBuilder;
use Stemmata\Format\DocumentReader;
use Stemmata\Format\ReadResult;
use Stemmata\Format\TextBytes;

/** Reads HTML: what the elements mean is kept, how they look, what they run and where they fetch from is not. */
final readonly class HtmlReader implements DocumentReader
{
    public function __construct(private IdSource $ids)
    {
    }

    public function endings(): array
    {
        return ['html', 'htm', 'xhtml'];
    }

    public function read(string $bytes): ReadResult
    {
        return $this->readMarkup(TextBytes::utf8(self::inUtf8($bytes)));
    }

    /** @param TitleBlock|null $titleBlock what is known of the document from elsewhere */
    public function readMarkup(string $html, ?TitleBlock $titleBlock = null): ReadResult
    {
        $page = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        // The declaration tells the parser the encoding; nothing is loaded from outside. Without PARSEHUGE, what is nested
        // more than 256 deep would be dropped without a word.
        $page->loadHTML('<?xml encoding="UTF-8">'.$html, \LIBXML_NONET | \LIBXML_NOERROR | \LIBXML_COMPACT | \LIBXML_PARSEHUGE);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $builder = new DocumentBuilder($this->ids);
        $flow = new HtmlFlow($builder, Footnotes::in($page));
        $body = $page->getElementsByTagName('body')->item(0);
        if (null !== $body) {
            $flow->read($body);
        }

        return $builder->finished($titleBlock ?? self::titleBlock($page));
    }

    private static function titleBlock(\DOMDocument $page): TitleBlock
    {
        $meta = [];
        foreach ($page->getElementsByTagName('meta') as $element) {
            $meta[strtolower($element->getAttribute('name'))] = $element->getAttribute('content');
        }
        $title = $page->getElementsByTagName('title')->item(0)->textContent ?? '';
        $language = $page->documentElement?->getAttribute('lang') ?? '';

        return new TitleBlock(
            trim((string) preg_replace('/\s+/u', ' ', $title)),
            $meta['subtitle'] ?? '',
            $meta['author'] ?? '',
            language: 1 === preg_match('/\A[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*\z/', $language) ? $language : 'en',
        );
    }

    /** An encoding declared in the page, where it is one that mbstring knows. */
    private static function inUtf8(string $bytes): string
    {
        if (mb_check_encoding($bytes, 'UTF-8') || 1 !== preg_match('/<meta[^>]+charset=["\']?([A-Za-z0-9_-]+)/i', substr($bytes, 0, 2048), $match)) {
            return $bytes;
        }
        foreach (mb_list_encodings() as $encoding) {
            if (0 === strcasecmp($encoding, $match[1]) || in_array(strtolower($match[1]), array_map(strtolower(...), mb_encoding_aliases($encoding)), true)) {
                return (string) mb_convert_encoding($bytes, 'UTF-8', $encoding);
            }
        }

        return $bytes;
    }
}
