<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Format\Read\Office\ParagraphStyle;
use Stemmata\Format\Read\Package\Xml;

/** Reads what pPr and rPr elements say (ECMA-376-1, 17.3.1 and 17.3.2). */
final class Properties
{
    public static function of(?\DOMElement $paragraph, ?\DOMElement $run, string $name = ''): ParagraphStyle
    {
        $numbers = Xml::child($paragraph, 'numPr');
        $spacing = Xml::child($paragraph, 'spacing');
        $twips = static fn(string $side): ?int => is_numeric($value = Xml::attribute($spacing, $side))
            ? max(0, min(9999, intdiv((int) $value, 20)))
            : null;
        $fonts = Xml::attribute(Xml::child($run, 'rFonts'), 'ascii');

        return new ParagraphStyle(
            $name,
            Xml::integer($paragraph, 'outlineLvl'),
            Xml::value($numbers, 'numId'),
            Xml::integer($numbers, 'ilvl'),
            Xml::toggle($run, 'b'),
            Xml::toggle($run, 'i'),
            Xml::toggle($run, 'caps'),
            Xml::toggle($run, 'vanish'),
            Xml::toggle($paragraph, 'pageBreakBefore'),
            Xml::integer($run, 'sz'),
            Xml::value($paragraph, 'jc'),
            $twips('before'),
            $twips('after'),
            Xml::value($run, 'vertAlign'),
            null === $fonts ? null : 1 === preg_match('/courier|consol|mono|menlo/i', $fonts),
            Xml::toggle($run, 'strike') ?? Xml::toggle($run, 'dstrike'),
        );
    }
}
