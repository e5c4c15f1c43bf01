<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

/** What a part of the package refers to (ECMA-376-2, 9): other parts, and addresses outside. */
final class Relationships
{
    private const KIND = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships/';

    /** @var array<string, string> the element by what it leads to */
    private array $elements = [];

    /** @return string the id by which the part speaks of another part of the package */
    public function part(string $kind, string $name): string
    {
        return $this->add(self::KIND . $kind, $name, '');
    }

    /** @return string the id by which the part speaks of an address */
    public function address(string $address): string
    {
        return $this->add(self::KIND . 'hyperlink', $address, ' TargetMode="External"');
    }

    public function toXml(): string
    {
        return Xml::HEAD .
            '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">' .
            implode('', $this->elements) .
            '</Relationships>';
    }

    private function add(string $kind, string $target, string $mode): string
    {
        $key = $kind . ' ' . $target;
        $at = array_search($key, array_keys($this->elements), true);
        if (false !== $at) {
            return 'rId' . ($at + 1);
        }
        $id = 'rId' . (count($this->elements) + 1);
        $this->elements[$key] = sprintf(
            '<Relationship Id="%s" Type="%s" Target="%s"%s/>',
            $id,
            $kind,
            Xml::escaped($target),
            $mode,
        );

        return $id;
    }
}
