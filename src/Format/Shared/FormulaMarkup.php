<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Formula\Formula;
use Stemmata\Core\Formula\MathMl;

/** A formula as MathML with its TeX beside it (MathML 3, 5.1: annotations), and the way back to its source. */
final class FormulaMarkup
{
    private const TEX = 'application/x-tex';

    public static function written(string $source, bool $isBlock): string
    {
        if (Formula::isMathMl($source)) {
            return $isBlock ? substr_replace($source, ' display="block"', (int) strpos($source, '>'), 0) : $source;
        }
        $escaped = htmlspecialchars($source, \ENT_XML1 | \ENT_NOQUOTES);
        $made = TexToMathMl::find($source);
        $shown = null === $made ? '<mtext>' . $escaped . '</mtext>' : self::content($made);

        return sprintf(
            '<math xmlns="%s"%s><semantics><mrow>%s</mrow><annotation encoding="%s">%s</annotation></semantics></math>',
            MathMl::NAMESPACE,
            $isBlock ? ' display="block"' : '',
            $shown,
            self::TEX,
            $escaped,
        );
    }

    /** The formula alone as MathML, whatever its source; null for TeX that cannot be read. */
    public static function findMathMl(string $source): ?string
    {
        return Formula::isMathMl($source) ? $source : TexToMathMl::find($source);
    }

    /** The source of a formula that a file holds as MathML: its TeX where that is said, else the MathML; null for none. */
    public static function findSource(\DOMElement $math): ?string
    {
        foreach ($math->getElementsByTagNameNS('*', 'annotation') as $annotation) {
            $tex = trim($annotation->textContent);
            if (self::TEX === $annotation->getAttribute('encoding') && '' !== $tex && Formula::isSound($tex)) {
                return $tex;
            }
        }
        $cleaned = MathMl::cleaned($math);

        return null !== $cleaned && Formula::isSound($cleaned) ? $cleaned : null;
    }

    private static function content(string $mathMl): string
    {
        return (string) preg_replace('~\A<math[^>]*>|</math>\z~', '', $mathMl);
    }
}
