<?php

declare(strict_types=1);

namespace Stemmata\Tests\Typesetting;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\RandomDocuments;
use Stemmata\Tests\Support\RandomOperations;
use Stemmata\Tests\Support\Services;
use Stemmata\Tests\Support\TemporaryFolder;
use Stemmata\Typesetting\Engine\Engine;
use Stemmata\Typesetting\Engine\OneShotEngine;
use Stemmata\Typesetting\Engine\ServiceEngine;
use Stemmata\Typesetting\PageMap;
use Stemmata\Typesetting\Typesetter;

/** A document that is kept warm comes to the same pages as one that is set from the beginning. */
final class WarmPagesTest extends TestCase
{
    public function testAfterAnyChangeTheWarmPagesAreThoseSetAnew(): void
    {
        $warm = new OneShotEngine();
        for ($seed = 1, $runs = Dose::of(30, 2); $seed <= $runs; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $documents = new RandomDocuments($random, $ids);
            $operations = new RandomOperations($random, $documents, $ids);
            $document = $documents->document();
            for ($step = 0; $step < 25; ++$step) {
                [$name, $operation] = $operations->on($document);
                $outcome = $operation->applyTo($document);
                if (!($outcome instanceof Applied) || $outcome->document->outline->count() > 40) {
                    continue;
                }
                $document = $outcome->document;
                $at = sprintf('seed %d, step %d, %s', $seed, $step, $name);
                $typeset = self::typeset($warm, 'warm', $document);
                self::assertEquals(self::typeset(new OneShotEngine(), 'cold', $document), $typeset, $at);
            }
        }
    }

    public function testOnlyWhatHasChangedIsAskedFor(): void
    {
        $document = Services::formats()->read('two.md', "# One\n\nWords.\n\n# Two\n\nSee [One](#one).\n")->document;
        $engine = new class implements Engine {
            /** @var list<list<string>> ids of the sections that were sent with each request */
            public array $sent = [];
            private OneShotEngine $engine;

            public function exchange(array $request, ?float $patience = null): array
            {
                $this->sent[] = array_keys((array) ($request['sources'] ?? []));

                return ($this->engine ??= new OneShotEngine())->exchange($request);
            }
        };
        self::typeset($engine, 'two', $document);
        $engine->sent = [];
        self::typeset($engine, 'two', $document);
        self::assertSame([[]], $engine->sent, 'nothing has changed');

        $engine->sent = [];
        $second = $document->sectionAt(1);
        self::typeset($engine, 'two', $document->withSection($second->withBody($document->sectionAt(0)->body)));
        self::assertSame([[], [$second->id->value]], $engine->sent);
    }

    public function testPagesComeAgainWhenTheServiceIsKilled(): void
    {
        $folder = TemporaryFolder::made();
        $document = Services::formats()->read('one.md', "# One\n\nWords.\n\n# Two\n\nMore words.\n")->document;
        $engine = new ServiceEngine($folder, true);
        try {
            $before = self::typeset($engine, 'killed', $document);
            foreach (['worker.mjs', 'service.mjs', 'worker.mjs', 'service.mjs'] as $process) {
                self::kill($folder, $process);
                self::assertEquals($before, self::typeset($engine, 'killed', $document), $process);
            }
        } finally {
            $engine->stop();
        }
    }

    /** The service of this folder alone, or the processes that it has for documents. */
    private static function kill(string $folder, string $process): void
    {
        $own = array_filter(
            explode("\n", trim((string) shell_exec('pgrep -f "[s]ervice.mjs version-"'))),
            static fn(string $pid): bool => @readlink('/proc/' . $pid . '/cwd') === $folder . '/typesetting',
        );
        self::assertCount(1, $own);
        $pid = (string) array_pop($own);
        exec('service.mjs' === $process ? 'kill -9 ' . $pid : 'pkill -9 -P ' . $pid);
    }

    private static function typeset(Engine $engine, string $name, Document $document): PageMap
    {
        $typeset = (new Typesetter($engine))->typeset($document, $name, self::revisions($document), staysWarm: true);
        self::assertSame([], $typeset->findings);

        return $typeset->map;
    }

    /** @return array<string, int> a number for each text that is another for another text */
    private static function revisions(Document $document): array
    {
        $revisions = [];
        foreach ($document->sections() as $section) {
            $revisions[$section->id->value] = crc32(
                json_encode([$section->heading->toJson(), $section->body->toJson()], \JSON_THROW_ON_ERROR),
            );
        }

        return $revisions;
    }
}
