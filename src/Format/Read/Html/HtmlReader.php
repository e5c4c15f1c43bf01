<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\DocumentReader;
use Stemmata\Format\Read\Html\Office\OfficeParts;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\ReadResult;
use Stemmata\Format\Read\TextBytes;

/**
 * Reads HTML: what the elements mean is kept, how they look is evidence, what they run and where they fetch from is not
 * kept.
 */
final readonly class HtmlReader implements DocumentReader
{
    public function __construct(private IdSource $ids) {}

    public function endings(): array
    {
        return ['html', 'htm', 'xhtml'];
    }

    public function maxBytes(): int
    {
        return 12 * 1024 * 1024;
    }

    public function read(string $bytes): ReadResult
    {
        [$declared, $isGuessed] = HtmlEncoding::inUtf8($bytes);

        return $this->readMarkup(TextBytes::utf8($declared), null, $isGuessed);
    }

    /**
     * @param TitleBlock|null $titleBlock what is known of the document from elsewhere, for a page made from another
     *     format
     * @param string          $titlePage  markup of what else its title page says
     */
    public function readMarkup(
        string $html,
        ?TitleBlock $titleBlock = null,
        bool $isGuessed = false,
        string $titlePage = '',
    ): ReadResult {
        $page = self::page($html);
        $builder = new DocumentBuilder($this->ids);
        if ($isGuessed) {
            $builder->note(ImportNote::EncodingGuessed);
        }
        if (
            '' !== $titlePage &&
            null !== ($front = ($parts = self::page($titlePage))->getElementsByTagName('body')->item(0))
        ) {
            (new HtmlFlow($builder, $parts, new SinglePage($builder), Footnotes::in($parts)))->titlePageParts($front);
        }
        self::readInto($builder, $page, new SinglePage($builder), null === $titleBlock);

        return $builder->finished($titleBlock ?? HtmlTitle::of($page));
    }

    public static function readInto(
        DocumentBuilder $builder,
        \DOMDocument $page,
        Surroundings $surroundings,
        bool $hasLooks = true,
    ): void {
        $body = $page->getElementsByTagName('body')->item(0);
        if (null !== $body) {
            (new HtmlFlow($builder, $page, $surroundings, Footnotes::in($page), hasLooks: $hasLooks))->read($body);
        }
    }

    public static function page(string $html): \DOMDocument
    {
        // Text within CDATA is text, in whatever way a parser of HTML would misread its marks.
        $page = HtmlParser::parsed(
            (string) preg_replace_callback(
                '/<!\[CDATA\[(.*?)\]\]>/s',
                static fn(array $match): string => htmlspecialchars($match[1], \ENT_QUOTES | \ENT_SUBSTITUTE),
                $html,
            ),
        );
        if (str_contains($html, 'outside-picture')) {
            self::showOutsidePictures($page);
        }
        OfficeParts::made($page);

        return $page;
    }

    /** Our own files hold a picture that lies elsewhere as a link to it; here it is a picture again. */
    private static function showOutsidePictures(\DOMDocument $page): void
    {
        foreach (
            iterator_to_array((new \DOMXPath($page))->query('//a[@class="outside-picture"]') ?: [], false)
            as $link
        ) {
            if ($link instanceof \DOMElement) {
                $image = $page->createElement('img');
                $image->setAttribute('src', $link->getAttribute('href'));
                $image->setAttribute('alt', $link->textContent);
                $link->parentNode?->replaceChild($image, $link);
            }
        }
    }
}
