<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Core\Contents\ContentsDifferences;
use Stemmata\Core\Contents\StaleContents;
use Stemmata\Core\Counting\CaptionNumbers;
use Stemmata\Core\Counting\TextCounter;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\SectionNames;
use Stemmata\Core\Find\Finder;
use Stemmata\Core\Find\FindMode;
use Stemmata\Core\Find\Query;
use Stemmata\Core\History\Comparison;
use Stemmata\Core\LikelyHeading\LikelyHeadings;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Speech\SpeechText;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\RandomOperations;
use Stemmata\Tests\Support\Recorded;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\StoredForm;

/** What operations at random do and say, and all that is computed of what they leave, has not changed unseen. */
final class RecordedRunsTest extends TestCase
{
    private const RUNS = 20;
    private const STEPS = 120;
    /** Steps between two looks at all that is computed. */
    private const BETWEEN_LOOKS = 8;
    private const MAX_SECTIONS = 40;
    /** More than a file that is read takes; ids of the run come after them. */
    private const IDS_USED = 1000;

    #[TestWith(['at-random'])]
    #[TestWith(['all-kinds'])]
    public function testRunsGoAsBefore(string $kind): void
    {
        $lines = [];
        for ($seed = 1; $seed <= self::RUNS; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds(self::IDS_USED);
            $documents = new RandomDocuments($random, $ids);
            $operations = new RandomOperations($random, $documents, $ids);
            $document = 'at-random' === $kind ? $documents->document() : self::allKinds();
            $last = $document;
            for ($step = 1; $step <= self::STEPS; ++$step) {
                [$name, $operation] = $operations->on($document);
                $outcome = $operation->applyTo($document);
                $line = "$seed.$step $name: ";
                if ($outcome instanceof Refused) {
                    $lines[] = $line . $outcome->reason->name . ' ' . Recorded::digest($outcome->sentence);
                    continue;
                }
                $lines[] = sprintf(
                    '%s%s %s',
                    $line,
                    Recorded::digest([$operation->describe($document), $operation->restsOn(), $outcome->notices]),
                    Recorded::digest(StoredForm::of($outcome->document)),
                );
                if ($outcome->document->outline->count() <= self::MAX_SECTIONS) {
                    $document = $outcome->document;
                }
                if (0 === $step % self::BETWEEN_LOOKS) {
                    $lines[] = "$seed.$step computed: " . implode(' ', self::computed($last, $document));
                    $last = $document;
                }
            }
        }
        Recorded::assertSame(__DIR__ . '/recorded-runs-' . $kind . '.txt', $lines);
    }

    /** @return list<string> */
    private static function computed(Document $last, Document $now): array
    {
        $counter = new TextCounter('en');
        $rendition = Rendition::of($now);
        $finders = [
            new Finder(new Query('lamp gale')),
            new Finder(new Query('readings', FindMode::Phrase)),
            new Finder(new Query('e.', FindMode::Pattern)),
        ];
        $counts = $said = $found = $differences = [];
        foreach ($now->sections() as $position => $section) {
            $counts[] = $counter->ofSection($section);
            $said[] = SpeechText::of($rendition, $rendition->sectionAt($position), 0 === $position % 2);
            foreach ($finders as $finder) {
                $found[] = $finder->in($section);
            }
            foreach ($section->body->walk() as $node) {
                if ('contents' === $node->type) {
                    $differences[] = ContentsDifferences::of($now, $node);
                }
            }
        }

        return array_map(Recorded::digest(...), [
            [$now->numbers(), SectionNames::of($now)],
            CaptionNumbers::of($now)->labels,
            [$counts, $now->setup->toJson(), $now->titleBlock],
            StructureCheck::of($now),
            $said,
            $found,
            [$differences, StaleContents::in($now)],
            Comparison::between($last, $now),
            LikelyHeadings::in($now),
        ]);
    }

    private static function allKinds(): Document
    {
        $file = __DIR__ . '/../Format/all-kinds.html';

        return Services::formats()->read('all.html', (string) file_get_contents($file))->document;
    }
}
