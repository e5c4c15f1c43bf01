<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Package;

use Stemmata\Core\Language\Characters;

/**
 * Signs that XML 1.0 (2.2) does not allow, and some programs write all the same: they stand for nothing here as in every
 * other file, and keep nobody from reading the rest.
 */
final class XmlSigns
{
    /** U+FFFE, U+FFFF and control characters but for tab and line ends, by their number. */
    private const REFERENCE = '/&#(?:x0*(?:fff[ef]|[0-8bcef]|1[0-9a-f])|0*(?:6553[45]|[0-8]|1[124-9]|2\d|3[01]));/i';

    private ?bool $isPlain = null;
    private string $rest = '';

    public static function cleaned(string $xml): string
    {
        $signs = new self();

        return $signs->take($xml) . $signs->end();
    }

    /** The next piece; what may go on in the piece after it is kept back. */
    public function take(string $piece): string
    {
        // What is not in UTF-8 is left to the parser.
        $this->isPlain ??= !in_array(substr($piece, 0, 2), ["\xFE\xFF", "\xFF\xFE"], true);
        $xml = $this->rest . $piece;
        $end = strrpos($xml, '<');
        if (!$this->isPlain || false === $end) {
            $this->rest = '';

            return $this->sound($xml);
        }
        $this->rest = substr($xml, $end);

        return $this->sound(substr($xml, 0, $end));
    }

    public function end(): string
    {
        return $this->sound($this->rest);
    }

    private function sound(string $xml): string
    {
        $clean = true === $this->isPlain ? Characters::cleaned($xml) : $xml;

        return true === $this->isPlain && str_contains($clean, '&#')
            ? (string) preg_replace(self::REFERENCE, '', $clean)
            : $clean;
    }
}
