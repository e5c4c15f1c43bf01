<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Epub;

use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\Html\SinglePage;
use Stemmata\Format\Read\Html\Surroundings;
use Stemmata\Format\Read\Pictures;

/** One page of a book: its links lead to the other pages, its pictures lie in the package. */
final class EpubPage implements Surroundings
{
    /** @var array<string, true>|null places of the book that something leads to, by file and id */
    private ?array $ledTo = null;
    /** @var array<string, \DOMDocument|null> the last other page that notes were looked up on */
    private array $notePage = [];

    public function __construct(
        private readonly DocumentBuilder $builder,
        private readonly EpubPackage $book,
        private readonly Pictures $pictures,
        private readonly string $path,
    ) {}

    public function anchor(string $id): string
    {
        return $this->path . '#' . $id;
    }

    public function address(string $href): string
    {
        if (1 === preg_match('/\A[a-z][a-z0-9+.-]*:/i', $href)) {
            return $href;
        }
        [$path, $fragment] = EpubPackage::resolved($href, $this->path);

        return '#' . rawurlencode($path . ('' === $fragment ? '' : '#' . $fragment));
    }

    public function isLedToFromElsewhere(string $id): bool
    {
        return isset(($this->ledTo ??= $this->book->placesLedTo())[$this->path . '#' . $id]);
    }

    public function findNote(string $href): ?\DOMElement
    {
        [$path, $fragment] = EpubPackage::resolved($href, $this->path);
        if ($path === $this->path || '' === $fragment || 1 !== preg_match('/\A[\w.:-]+\z/', $fragment)) {
            return null;
        }
        if (!array_key_exists($path, $this->notePage)) {
            $this->notePage = [$path => $this->book->page($path)];
        }
        $page = $this->notePage[$path];
        $found = null === $page ? false : (new \DOMXPath($page))->query('//*[@id="' . $fragment . '"]');
        $note = false === $found ? null : $found->item(0);

        return $note instanceof \DOMElement ? $note : null;
    }

    public function picture(string $source): string
    {
        if (1 === preg_match('/\A(?:data|https?):/i', $source)) {
            return (new SinglePage($this->builder))->picture($source);
        }
        [$path] = EpubPackage::resolved($source, $this->path);

        return $this->pictures->source(
            $this->book->zip->has($path) ? $this->book->zip->find($path) : null,
            basename($path),
        );
    }
}
