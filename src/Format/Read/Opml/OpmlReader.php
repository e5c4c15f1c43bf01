<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Opml;

use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\DocumentReader;
use Stemmata\Format\Read\ImportNote;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;
use Stemmata\Format\Read\ReadResult;
use Stemmata\Format\Read\TextBytes;

/** Reads OPML 2.0: each line of the outline is a heading, its note (common practice) the text under it. */
final readonly class OpmlReader implements DocumentReader
{
    /** A line without lines under it that is longer than that is a text, in characters. */
    private const LONGEST_HEADING = 240;

    public function __construct(private IdSource $ids) {}

    public function endings(): array
    {
        return ['opml'];
    }

    public function maxBytes(): int
    {
        return 9 * 1024 * 1024;
    }

    public function read(string $bytes): ReadResult
    {
        // What was declared was right before.
        $xml = (string) preg_replace(
            '/\A(\s*<\?xml[^>]*?)\sencoding\s*=\s*["\'][^"\'>]*["\']/',
            '$1',
            TextBytes::utf8($bytes),
        );
        $root = XmlPart::small($xml)->documentElement;
        $head = Xml::child($root, 'head');
        $builder = new DocumentBuilder($this->ids);
        $body = Xml::child($root, 'body');
        if (null !== $body) {
            $this->readLines($builder, $body, 1);
        }

        return $builder->finished(
            new TitleBlock(
                self::line(Xml::child($head, 'title')->textContent ?? ''),
                '',
                self::line(Xml::child($head, 'ownerName')->textContent ?? ''),
            ),
        );
    }

    private function readLines(DocumentBuilder $builder, \DOMElement $within, int $level): void
    {
        foreach (Xml::children($within) as $line) {
            if ('outline' !== $line->localName) {
                continue;
            }
            $text = $line->getAttribute('text') ?: $line->getAttribute('title');
            $isLeaf = null === Xml::child($line, 'outline');
            if ($isLeaf && mb_strlen($text) > self::LONGEST_HEADING && !$builder->isEmpty()) {
                $builder->note(ImportNote::LongOutlineText);
                $builder->block(Node::paragraph(self::inline($line, $text)));
                continue;
            }
            $builder->heading($level, self::inline($line, $text));
            $this->readNote($builder, $line->getAttribute('_note'));
            $this->readLines($builder, $line, $level + 1);
        }
    }

    /** The text under a line is plain text: a blank line ends a paragraph, any other begins a line of it. */
    private function readNote(DocumentBuilder $builder, string $note): void
    {
        foreach (preg_split('/\R\s*\R/u', trim($note)) ?: [] as $paragraph) {
            $inline = [];
            foreach (preg_split('/\R/u', trim($paragraph)) ?: [] as $line) {
                $words = self::line($line);
                array_push(
                    $inline,
                    ...[] === $inline ? [] : [new Node('hardBreak')],
                    ...'' === $words ? [] : [Node::text($words)],
                );
            }
            if ([] !== $inline) {
                $builder->block(Node::paragraph($inline));
            }
        }
    }

    /** @return list<Node> */
    private static function inline(\DOMElement $line, string $text): array
    {
        // A line may be written with the tags of HTML in it; its words are what counts.
        $words = self::line(
            str_contains($text, '<') ? html_entity_decode(strip_tags($text), \ENT_QUOTES | \ENT_HTML5) : $text,
        );
        $address = $line->getAttribute('url') ?: $line->getAttribute('htmlUrl');
        $isLink = '' !== $address && LinkTarget::isValid($address) && null === LinkTarget::findInnerId($address);

        return '' === $words ? [] : [Node::text($words, $isLink ? [Mark::link($address, null)] : [])];
    }

    private static function line(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }
}
