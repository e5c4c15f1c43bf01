<?php

declare(strict_types=1);

namespace Stemmata\Core\Check;

use Stemmata\Core\Document\Document;

/** Runs every rule over a document; reports in the order of the text, and changes nothing. */
final class StructureCheck
{
    /** @return list<Rule> */
    public static function rules(): array
    {
        return [
            new NoTitle(),
            new NoTopLevel(),
            new SkippedLevel(),
            new EmptyHeading(),
            new DeeperThanSix(),
            new MissingPart(),
            new BrokenLink(),
            new FillerLeft(),
            new UntoldPicture(),
            new HeadlessTable(),
            new NumberTwice(),
            new DeeperLooksGreater(),
            new HardToRead(),
            new ShapedByHand(),
            new LongQuotation(),
        ];
    }

    /** @return list<Finding> */
    public static function of(Document $document): array
    {
        return self::found($document, self::rules());
    }

    /**
     * What keeps a file from being readable by everyone, as PDF/UA-1 (ISO 14289-1) asks of it.
     *
     * @return list<Finding>
     */
    public static function inTheWayOfEveryone(Document $document): array
    {
        return self::found($document, [new NoTopLevel(), new SkippedLevel(), new UntoldPicture()]);
    }

    /**
     * @param list<Rule> $rules
     *
     * @return list<Finding> in the order of the text
     */
    private static function found(Document $document, array $rules): array
    {
        $headings = $document->headings();
        $findings = [];
        foreach ($rules as $rule) {
            foreach ($rule->findings($document, $headings) as $finding) {
                $findings[] = $finding;
            }
        }
        usort($findings, static fn(Finding $a, Finding $b): int => $a->position <=> $b->position);

        return $findings;
    }
}
