<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

use Stemmata\Core\Check\Finding;

/** What came of typesetting a document. */
final readonly class Typeset
{
    /**
     * @param list<Finding>   $findings what pages cannot show as it was meant; a position behind all sections is the whole
     * @param string          $pdf      empty when none was asked for
     * @param PdfStandard     $standard that the file keeps to
     * @param string|null     $refused  why it keeps to no stricter one, in the engine’s words
     * @param float           $milliseconds that the engine itself took for the pages
     */
    public function __construct(
        public PageMap $map,
        public array $findings,
        public string $pdf = '',
        public PdfStandard $standard = PdfStandard::Tagged,
        public ?string $refused = null,
        public float $milliseconds = 0,
    ) {}
}
