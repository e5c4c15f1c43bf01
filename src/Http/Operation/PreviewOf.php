<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation;

use Stemmata\Core\Counting\WordCount;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\SectionNames;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Http\Operation\View\Preview;
use Stemmata\Http\Operation\View\PreviewSection;

/** Shows the outline that an operation would leave, from the operation itself. */
final class PreviewOf
{
    private const LENGTH_OF_BEGINNING = 120;

    public static function operation(Document $document, Operation $operation): Preview
    {
        $outcome = $operation->applyTo($document);
        if ($outcome instanceof Refused) {
            return new Preview(false, $outcome->sentence, []);
        }
        $after = $outcome->document;
        $numbers = $after->numbers();
        $names = SectionNames::of($after);
        $known = array_flip(array_map(static fn($id): string => $id->value, $document->outline->ids()));
        $count = new WordCount();
        $sections = [];
        foreach ($after->headings() as $position => $heading) {
            $id = $after->outline->idAt($position)->value;
            $changed = $after->changedSections[$id] ?? null;
            $sections[] = new PreviewSection(
                $after->outline->levelAt($position)->value,
                $numbers[$position],
                $names[$id] ?? $heading,
                !isset($known[$id]),
                null === $changed ? null : $count->ofBody($changed),
                null === $changed
                    ? ''
                    : mb_substr(
                        (string) preg_replace('/\s+/u', ' ', $changed->body->plainText()),
                        0,
                        self::LENGTH_OF_BEGINNING,
                    ),
            );
        }

        return new Preview(true, '', $sections);
    }
}
