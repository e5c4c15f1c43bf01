<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation;

use PHPUnit\Framework\Attributes\TestDox;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Text\Heading;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Dose;
use Stemmata\Tests\Support\LineModel;

/** The outline operations against a second, deliberately naive model of them. */
final class LineModelTest extends TestCase
{
    private const STEPS = 20;

    #[TestDox('Over 2,000 random sequences the core does and refuses exactly what a list of lines with levels would')]
    public function testSameAsLines(): void
    {
        $done = [
            'promote' => 0,
            'demote' => 0,
            'set-level' => 0,
            'move' => 0,
            'move-up' => 0,
            'move-down' => 0,
            'delete' => 0,
        ];
        $refused = $done;
        $sequences = Dose::of(2000, 700);
        for ($seed = 1; $seed <= $sequences; ++$seed) {
            $random = new Randomizer(new Mt19937($seed));
            $ids = new CountingIds();
            $reader = new OperationReader($ids);
            $document = self::document($random, $ids);
            for ($step = 0; $step < self::STEPS && $document->outline->count() > 0; ++$step) {
                $json = self::operation($random, $document);
                $outcome = $reader->read($json)->applyTo($document);
                $wanted = self::byLines(LineModel::of($document), $json);
                $at = sprintf('seed %d, step %d: %s', $seed, $step, json_encode($json, \JSON_THROW_ON_ERROR));
                self::assertSame(null === $wanted, $outcome instanceof Refused, $at);
                if ($outcome instanceof Refused) {
                    ++$refused[$json['name']];
                    continue;
                }
                self::assertSame($wanted?->lines, LineModel::of($outcome->document)->lines, $at);
                ++$done[$json['name']];
                $document = $outcome->document;
            }
        }
        foreach ($done as $name => $count) {
            self::assertGreaterThan($sequences / 4, $count, "“{$name}” was hardly ever done.");
            self::assertGreaterThan($sequences / 20, $refused[$name], "“{$name}” was hardly ever refused.");
        }
    }

    /**
     * @param array{name: string, sections: list<string>, extent: string, landing: string, target: string,
     *     level: int} $json
     */
    private static function byLines(LineModel $model, array $json): ?LineModel
    {
        $branch = 'branch' === $json['extent'];

        return match ($json['name']) {
            'promote' => $model->shifted($json['sections'], $branch, -1),
            'demote' => $model->shifted($json['sections'], $branch, 1),
            'set-level' => $model->shifted($json['sections'], $branch, null, $json['level']),
            'move' => $model->moved($json['sections'], $branch, $json['landing'], $json['target']),
            'move-up' => $model->movedAmongSiblings($json['sections'], true),
            'move-down' => $model->movedAmongSiblings($json['sections'], false),
            'delete' => $model->without($json['sections'], $branch),
            default => throw new \LogicException('The naive model knows no “' . $json['name'] . '”.'),
        };
    }

    /**
     * @return array{name: 'promote'|'demote'|'set-level'|'move'|'move-up'|'move-down'|'delete', sections: list<string>,
     *     extent: string, landing: string, target: string, level: int}
     */
    private static function operation(Randomizer $random, Document $document): array
    {
        $names = ['promote', 'demote', 'set-level', 'move', 'move', 'move', 'move-up', 'move-down', 'delete'];
        $any = static fn(): string => 1 === $random->getInt(1, 25)
            ? 'zzzzzzzzzzzz'
            : $document->outline->idAt($random->getInt(0, $document->outline->count() - 1))->value;

        return [
            'name' => $names[$random->getInt(0, count($names) - 1)],
            'sections' => array_map($any, range(1, $random->getInt(1, 3))),
            'extent' => 1 === $random->getInt(1, 3) ? 'heading-only' : 'branch',
            'landing' => ['before', 'after', 'inside'][$random->getInt(0, 2)],
            'target' => $any(),
            'level' => $random->getInt(1, 9),
        ];
    }

    private static function document(Randomizer $random, CountingIds $ids): Document
    {
        $sections = 1 === $random->getInt(1, 3) ? [[Level::Opening, Section::blank($ids->next())]] : [];
        for ($count = $random->getInt(3, 16); $count > 0; --$count) {
            $sections[] = [
                Level::from($random->getInt(1, 1 === $random->getInt(1, 4) ? 9 : 4)),
                Section::blank($ids->next())->withHeading(Heading::plain('Line')),
            ];
        }

        return Document::of(new TitleBlock('Lines'), $sections);
    }
}
