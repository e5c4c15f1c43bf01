<?php

declare(strict_types=1);

namespace Stemmata\Core\TypedNumber;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Heading;

/**
 * Takes the numbers that were typed into headings off them, and sets the scheme by which they are computed from then
 * on.
 */
final readonly class NumberLifting
{
    /**
     * @param list<int>                         $liftedFromWords positions of headings whose number stood among their words
     * @param array<int, array{string, string}> $differences     printed and computed number where they differ,
     *     by position
     * @param list<int>                         $keptAsWords     positions of headings whose number stays among their words
     */
    private function __construct(
        public Document $document,
        public array $liftedFromWords,
        public array $differences,
        public array $keptAsWords,
    ) {}

    /** @param array<int, string> $printed numbers that a program printed before the heading, by position */
    public static function from(Document $document, array $printed = []): self
    {
        $typed = [];
        foreach ($document->sections() as $position => $section) {
            $typed[] = match (true) {
                $document->outline->levelAt($position)->isOpening() => null,
                isset($printed[$position]) => TypedNumber::findPrinted($printed[$position]),
                default => TypedNumber::find($section->heading->plainText()),
            };
        }
        $inferred = SchemeInference::of($document->outline, $typed);
        $liftedFromWords = [];
        foreach ($inferred->lifted as $position) {
            $section = $document->sectionAt($position);
            $lead = $typed[$position]->lead ?? 0;
            if ($lead > 0) {
                $liftedFromWords[] = $position;
                $document = $document->withSection(
                    $section->withHeading(Heading::ofInline(TypedLead::without($section->heading->inline, $lead))),
                );
            }
        }

        return new self(
            $document->withOutline($inferred->outline)->withSetup($document->setup->withNumbering($inferred->scheme)),
            $liftedFromWords,
            $inferred->differences,
            $inferred->keptAsWords,
        );
    }
}
