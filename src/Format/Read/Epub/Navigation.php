<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Epub;

use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;

/**
 * The book's own contents (EPUB 3.3, 7; NCX of OPF 2.0.1): evidence for chapters whose pages do not say what they are.
 */
final readonly class Navigation
{
    /** @param array<string, array{label: string, depth: int}> $byPage the first entry that leads to each page */
    private function __construct(private array $byPage) {}

    public static function of(EpubPackage $book): self
    {
        $entries = null === $book->navigation ? [] : self::ofPage($book, $book->navigation);
        if ([] === $entries && null !== $book->ncx) {
            $entries = self::ofNcx($book, $book->ncx);
        }

        return new self($entries);
    }

    /** @return array{label: string, depth: int}|null depth from 1 */
    public function findEntry(string $path): ?array
    {
        return $this->byPage[$path] ?? null;
    }

    /** @return array<string, array{label: string, depth: int}> */
    private static function ofPage(EpubPackage $book, string $path): array
    {
        $page = $book->page($path);
        $entries = [];
        foreach (null === $page ? [] : $page->getElementsByTagName('nav') as $nav) {
            if (
                !in_array(
                    'toc',
                    explode(
                        ' ',
                        $nav->getAttribute('epub:type') . ' ' . strtr($nav->getAttribute('role'), ['doc-' => '']),
                    ),
                    true,
                )
            ) {
                continue;
            }
            foreach ($nav->getElementsByTagName('a') as $link) {
                $depth = 0;
                for (
                    $around = $link->parentNode;
                    $around instanceof \DOMElement && $around !== $nav;
                    $around = $around->parentNode
                ) {
                    $depth += in_array($around->localName, ['ol', 'ul'], true) ? 1 : 0;
                }
                [$target] = EpubPackage::resolved($link->getAttribute('href'), $path);
                $entries[$target] ??= ['label' => self::line($link->textContent), 'depth' => max(1, $depth)];
            }
        }

        return $entries;
    }

    /** @return array<string, array{label: string, depth: int}> */
    private static function ofNcx(EpubPackage $book, string $path): array
    {
        $xml = preg_replace('/<!DOCTYPE[^>]*>/i', '', (string) $book->zip->find($path));
        $root = XmlPart::small((string) $xml)->documentElement;
        $entries = [];
        foreach (null === $root ? [] : $root->getElementsByTagNameNS('*', 'navPoint') as $point) {
            $depth = 1;
            for ($around = $point->parentNode; $around instanceof \DOMElement; $around = $around->parentNode) {
                $depth += 'navPoint' === $around->localName ? 1 : 0;
            }
            [$target] = EpubPackage::resolved(Xml::child($point, 'content')?->getAttribute('src') ?? '', $path);
            $entries[$target] ??= [
                'label' => self::line(Xml::child($point, 'navLabel')->textContent ?? ''),
                'depth' => $depth,
            ];
        }

        return $entries;
    }

    private static function line(string $text): string
    {
        return mb_strcut(trim((string) preg_replace('/\s+/u', ' ', $text)), 0, 1000);
    }
}
