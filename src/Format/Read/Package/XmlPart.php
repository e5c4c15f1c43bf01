<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Package;

use Stemmata\Format\Shared\FormatException;

/**
 * Reads the XML of a part. A document type definition has no business in these formats and is refused, and with it
 * every trick with entities; what is nested more than 256 deep is refused by the parser itself.
 */
final class XmlPart
{
    /** As far as the parser goes that holds a part whole. */
    private const MAX_BYTES = 9 * 1024 * 1024;

    /** @throws FormatException */
    public static function small(string $xml): \DOMDocument
    {
        if (strlen($xml) > self::MAX_BYTES) {
            throw FormatException::tooMuchUnpacked(self::MAX_BYTES);
        }
        $xml = XmlSigns::cleaned($xml);
        $before = libxml_use_internal_errors(true);
        $document = new \DOMDocument();
        $isRead =
            '' !== trim($xml) && !self::hasDoctype($xml) && $document->loadXML($xml, \LIBXML_NONET | \LIBXML_COMPACT);
        libxml_clear_errors();
        libxml_use_internal_errors($before);

        // In another encoding it may have gone unseen; nothing of it has been put into the text yet.
        return $isRead && null === $document->doctype ? $document : throw FormatException::damagedMarkup();
    }

    /** Whatever stands before the first element, however long: declarations, comments, instructions, blanks. */
    private static function hasDoctype(string $xml): bool
    {
        $at = strpos($xml, '<');
        while (false !== $at) {
            $end = match (true) {
                0 === substr_compare($xml, '<!--', $at, 4) => strpos($xml, '-->', $at + 4),
                0 === substr_compare($xml, '<?', $at, 2) => strpos($xml, '?>', $at + 2),
                default => false,
            };
            if (false === $end) {
                return 0 === substr_compare($xml, '<!', $at, 2);
            }
            $at = strpos($xml, '<', $end);
        }

        return false;
    }

    /**
     * The children of one element, one after the other, each as a tree of its own; what lies around them is never held.
     *
     * @param string        $file   a path
     * @param string        $within the element's local name
     * @param list<string>  $alsoWanted  local names of elements before it that are wanted too
     *
     * @return iterable<\DOMElement>
     *
     * @throws FormatException
     */
    public static function childrenOf(string $file, string $within, array $alsoWanted = []): iterable
    {
        $before = libxml_use_internal_errors(true);
        try {
            $reader = new \XMLReader();
            if (!$reader->open($file, null, \LIBXML_NONET | \LIBXML_COMPACT)) {
                throw FormatException::damagedMarkup();
            }
            yield from self::children($reader, $within, $alsoWanted);
            $reader->close();
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
    }

    /**
     * @param list<string> $alsoWanted
     *
     * @return iterable<\DOMElement>
     */
    private static function children(\XMLReader $reader, string $within, array $alsoWanted): iterable
    {
        $depth = null;
        $isMore = $reader->read();
        while ($isMore) {
            if (\XMLReader::DOC_TYPE === $reader->nodeType) {
                throw FormatException::damagedMarkup();
            }
            $isElement = \XMLReader::ELEMENT === $reader->nodeType;
            $isChild = null !== $depth && $isElement && $reader->depth === $depth + 1;
            if ($isChild || ($isElement && null === $depth && in_array($reader->localName, $alsoWanted, true))) {
                $element = @$reader->expand();
                if (!($element instanceof \DOMElement)) {
                    throw FormatException::damagedMarkup();
                }
                yield $element;
                $isMore = $reader->next();
                continue;
            }
            if (null === $depth && $isElement && $reader->localName === $within) {
                $depth = $reader->depth;
            } elseif (null !== $depth && \XMLReader::END_ELEMENT === $reader->nodeType && $reader->depth === $depth) {
                return;
            }
            $isMore = $reader->read();
        }
        if (null === $depth || [] !== libxml_get_errors()) {
            throw FormatException::damagedMarkup();
        }
    }
}
