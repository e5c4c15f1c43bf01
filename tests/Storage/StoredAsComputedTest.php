<?php

declare(strict_types=1);

namespace Stemmata\Tests\Storage;

use PHPUnit\Framework\Attributes\TestWith;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Detail\DescribeDocument;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Document\Written;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\RandomOperations;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\StoredForm;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;
use Symfony\Component\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

/** What the database holds after operations at random is what the core computed; undone to the beginning, and done again. */
final class StoredAsComputedTest extends KernelTestCase
{
    private const STEPS = 60;
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir() . '/stemmata-stored-' . bin2hex(random_bytes(6));
        mkdir($this->folder);
        $_SERVER['STEMMATA_DATA'] = $_ENV['STEMMATA_DATA'] = $this->folder;
        (new Process(
            ['php', 'bin/console', 'doctrine:migrations:migrate', '--no-interaction', '--quiet'],
            dirname(__DIR__, 2),
            ['STEMMATA_DATA' => $this->folder, 'APP_ENV' => 'prod'],
        ))->mustRun();
        self::bootKernel(['environment' => 'test', 'debug' => false]);
    }

    protected function tearDown(): void
    {
        parent::tearDown();
        unset($_SERVER['STEMMATA_DATA'], $_ENV['STEMMATA_DATA']);
        (new Filesystem())->remove($this->folder);
        restore_exception_handler();
    }

    #[TestWith([false])]
    #[TestWith([true])]
    public function testEachStepIsKeptUndoneAndDoneAgain(bool $isRich): void
    {
        $desk = self::getContainer()->get(Desk::class);
        $store = self::getContainer()->get(DocumentStore::class);
        self::assertInstanceOf(Desk::class, $desk);
        self::assertInstanceOf(DocumentStore::class, $store);
        for ($seed = 1, $runs = $isRich ? 1 : Dose::of(20, 2); $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds(1_000_000 * $seed);
            $documents = new RandomDocuments($random, $ids);
            $operations = new RandomOperations($random, $documents, $ids);
            $document = $isRich
                ? Services::formats()->read(
                    'all.html',
                    (string) file_get_contents(__DIR__ . '/../Format/all-kinds.html'),
                )->document
                : $documents->document();
            $id = $desk->add($document);
            self::assertSame(StoredForm::of($document), StoredForm::of($store->wholeDocument($id)));
            $states = [self::kept($store, $id)];
            // All that is said of a document itself.
            $said = new DescribeDocument(
                'T',
                'Sub',
                'A. Keeper',
                'A claim',
                900,
                'de',
                '1890',
                '2027-01-01',
                300,
                'Why?',
            );
            for ($step = 1; $step <= self::STEPS; ++$step) {
                $before = $store->wholeDocument($id);
                $operation = 1 === $step ? $said : $operations->on($before)[1];
                $outcome = $operation->applyTo($before);
                if (!($outcome instanceof Applied) || $outcome->document->outline->count() > 40) {
                    continue;
                }
                $here = self::kept($store, $id);
                $written = $store->apply($id, $store->get($id)->revision, $operation);
                if (!($written instanceof Written) || $written->change->isEmpty()) {
                    // What changes nothing is no step.
                    self::assertSame($here, self::kept($store, $id));
                    continue;
                }
                $states[] = self::kept($store, $id);
            }
            self::assertGreaterThan(self::STEPS / 4, count($states));
            for ($at = count($states) - 2; $at >= 0; --$at) {
                self::assertInstanceOf(Written::class, $store->undo($id, $store->get($id)->revision));
                self::assertSame($states[$at], self::kept($store, $id), "seed $seed, back to state $at");
            }
            self::assertNotInstanceOf(Written::class, $store->undo($id, $store->get($id)->revision));
            for ($at = 1; $at < count($states); ++$at) {
                self::assertInstanceOf(Written::class, $store->redo($id, $store->get($id)->revision));
                self::assertSame($states[$at], self::kept($store, $id), "seed $seed, on to state $at");
            }
        }
    }

    /** Of few sections headings are asked for one by one, of many all at once. */
    public function testHeadingsOfManySectionsAreTheirs(): void
    {
        $desk = self::getContainer()->get(Desk::class);
        $store = self::getContainer()->get(DocumentStore::class);
        self::assertInstanceOf(Desk::class, $desk);
        self::assertInstanceOf(DocumentStore::class, $store);
        $headings = array_map(static fn(int $number): string => 'Lamp of day ' . $number, range(1, 501));
        $id = $desk->add(Services::formats()->read('x.md', '# ' . implode("\n\n# ", $headings) . "\n")->document);
        $another = (new RandomDocuments(new Randomizer(new Mt19937(1)), new CountingIds(90_000_000)))->document();
        $other = $desk->add($another);
        $ids = $store->document($id)->outline->ids();

        self::assertSame($headings, $store->document($id)->headings());
        self::assertSame($another->headings(), $store->document($other)->headings());
        foreach ([[], array_slice($ids, 0, 1), array_slice($ids, 0, 500), $ids] as $some) {
            self::assertSame(
                array_slice($headings, 0, count($some)),
                array_values($store->shelf($id)->headings($some)),
            );
            self::assertSame([], $store->shelf($other)->headings($some));
        }
    }

    /** @return array<string, mixed> */
    private static function kept(DocumentStore $store, string $id): array
    {
        $document = $store->wholeDocument($id);
        self::assertSame($document->headings(), $store->document($id)->headings());
        $stored = StoredForm::of($document);
        $inOutline = array_map(static fn(SectionId $each): string => $each->value, $document->outline->ids());
        $offcuts = array_map(serialize(...), $store->shelf($id)->offcuts());
        sort($offcuts);

        return [
            ...$stored,
            'sections' => array_intersect_key($stored['sections'], array_flip($inOutline)),
            'offcuts' => $offcuts,
        ];
    }
}
