<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Formats;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\DocumentReader;
use Stemmata\Format\Read\FormulaLines;
use Stemmata\Format\Read\Html\HtmlTitle;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;
use Stemmata\Format\Read\Package\ZipPackage;
use Stemmata\Format\Read\ReadResult;

/** Reads Office Open XML text documents (ECMA-376), the body as a stream. */
final readonly class DocxReader implements DocumentReader
{
    public function __construct(private IdSource $ids) {}

    public function endings(): array
    {
        return ['docx', 'docm', 'dotx'];
    }

    public function maxBytes(): int
    {
        return Formats::MAX_BYTES;
    }

    public function read(string $bytes): ReadResult
    {
        $package = ZipPackage::open($bytes);
        $root = Relations::read($package->find('_rels/.rels'), '');
        $main = $root->findPartOfType('officeDocument') ?? 'word/document.xml';
        $folder = str_contains($main, '/') ? substr($main, 0, (int) strrpos($main, '/') + 1) : '';
        $relations = Relations::read($package->find($folder . '_rels/' . basename($main) . '.rels'), $folder);
        $part = static fn(string $type, string $default): ?string => $package->find(
            $relations->findPartOfType($type) ?? $folder . $default,
        );
        $styles = Styles::read($part('styles', 'styles.xml'));
        $builder = new DocumentBuilder($this->ids);
        $builder->kindsAreCalled($styles->kinds);
        $pictures = new PackagePictures($builder, $package);
        $lines = new LineReader($builder, $styles, $relations, $pictures, new Fields());
        foreach (['footnote' => 'footnotes', 'endnote' => 'endnotes'] as $kind => $name) {
            $file = $relations->findPartOfType($name) ?? $folder . $name . '.xml';
            $ownRelations = Relations::read($package->find($folder . '_rels/' . basename($file) . '.rels'), $folder);
            $this->readNotes(
                $package->find($file),
                $kind,
                $builder,
                $lines,
                new LineReader($builder, $styles, $ownRelations, $pictures, new Fields()),
                $styles,
            );
        }
        $body = new BodyReader($builder, $styles, ListNumbering::read($part('numbering', 'numbering.xml')), $lines);
        $body->read(XmlPart::childrenOf($package->fileOf($main), 'body'));
        $body->finish();

        return $builder->finished($this->titleBlock($package, $root, $body, $styles));
    }

    private function readNotes(
        ?string $xml,
        string $kind,
        DocumentBuilder $builder,
        LineReader $lines,
        LineReader $noteLines,
        Styles $styles,
    ): void {
        $root = null === $xml ? null : XmlPart::small($xml)->documentElement;
        foreach (null === $root ? [] : Xml::children($root) as $note) {
            if (
                in_array(
                    Xml::attribute($note, 'type'),
                    ['separator', 'continuationSeparator', 'continuationNotice'],
                    true,
                )
            ) {
                continue;
            }
            $words = [];
            foreach (Xml::children($note) as $paragraph) {
                $inline =
                    'p' === $paragraph->localName
                        ? FormulaLines::wordsOnly($noteLines->line($paragraph, $styles->paragraph(null))->inline())
                        : [];
                if ([] !== $words && [] !== $inline) {
                    $builder->note(ImportNote::NoteFlattened);
                    $words[] = Node::text(' ');
                }
                $words = [...$words, ...$inline];
            }
            $lines->keepNote($kind . 'Reference', Xml::attribute($note, 'id') ?? '', self::trimmed($words));
        }
    }

    /**
     * The blank after the note's own sign is no part of it.
     *
     * @param list<Node> $words
     *
     * @return list<Node>
     */
    private static function trimmed(array $words): array
    {
        if ([] !== $words) {
            $first = ltrim($words[0]->text);
            $words =
                '' === $first
                    ? array_slice($words, 1)
                    : [Node::text($first, $words[0]->marks), ...array_slice($words, 1)];
        }

        return $words;
    }

    private function titleBlock(ZipPackage $package, Relations $root, BodyReader $body, Styles $styles): TitleBlock
    {
        $core = $package->find($root->findPartOfType('core-properties') ?? 'docProps/core.xml');
        $properties = null === $core ? null : XmlPart::small($core)->documentElement;
        $said = static fn(string $name): string => trim(Xml::child($properties, $name)->textContent ?? '');

        return new TitleBlock(
            $body->titleLines->title ?? $said('title'),
            $body->titleLines->subtitle ?? '',
            $body->titleLines->author ?? $said('creator'),
            language: HtmlTitle::languageOr($said('language') ?: $styles->language, 'en'),
            date: $body->titleLines->date ?? '',
        );
    }
}
