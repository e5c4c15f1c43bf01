<?php

declare(strict_types=1);

namespace Stemmata\Storage\History;

use Stemmata\Core\Document\Change;
use Stemmata\Core\Document\Offcut;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\PassagePlace;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\Setup;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\OutlineEdit;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Storage\Database\Row;
use Stemmata\Storage\Section\KnownTexts;
use Stemmata\Storage\Section\SectionForm;

/** A change as the journal keeps it. */
final class ChangeForm
{
    public static function write(Change $change, KnownTexts $known = new KnownTexts()): string
    {
        $outline = array_map(
            static fn(OutlineEdit $edit): array => [
                'at' => $edit->at,
                'removed' => self::outline($edit->removed),
                'inserted' => self::outline($edit->inserted),
            ],
            $change->outlineEdits,
        );
        $offcuts = array_map(static fn(array $pair): array => array_map(self::offcut(...), $pair), $change->offcuts);
        $rest = SectionForm::json([
            'offcuts' => $offcuts,
            'titleBlock' =>
                null === $change->titleBlock ? null : array_map(TitleBlockForm::written(...), $change->titleBlock),
            'setup' =>
                null === $change->setup
                    ? null
                    : array_map(static fn(Setup $setup): array => $setup->toJson(), $change->setup),
        ]);

        return '{"outline":' .
            SectionForm::json($outline) .
            ',"sections":' .
            self::sections($change->sections, $known) .
            ',' .
            substr($rest, 1);
    }

    public static function read(string $json): Change
    {
        $stored = json_decode($json, true, flags: \JSON_THROW_ON_ERROR);
        assert(is_array($stored), 'A change is stored as an object.');
        $row = new Row($stored);
        $sections = [];
        foreach ($row->list('sections') as $id => $pair) {
            $sections[(string) $id] = self::readSections($pair);
        }
        $offcuts = [];
        foreach ($row->list('offcuts') as $id => $pair) {
            $offcuts[(string) $id] = self::pair($pair, self::readOffcut(...));
        }

        return new Change(
            array_map(self::readEdit(...), array_values($row->list('outline'))),
            $sections,
            $offcuts,
            self::readTitleBlocks($row),
            self::readSetups($stored['setup'] ?? null),
        );
    }

    /**
     * What did not change was not written a second time, and is one object in both: by that it is known to be the same.
     *
     * @return array{Section|null, Section|null}
     */
    private static function readSections(mixed $pair): array
    {
        assert(is_array($pair));
        $before = is_array($pair[0] ?? null) ? SectionForm::read($pair[0]) : null;
        $after = is_array($pair[1] ?? null)
            ? SectionForm::read($pair[1] + (is_array($pair[0] ?? null) ? $pair[0] : []), $before, $pair[1])
            : null;

        return [$before, $after];
    }

    /** @param array<string, array{Section|null, Section|null}> $pairs before and after, by id */
    private static function sections(array $pairs, KnownTexts $known): string
    {
        $entries = [];
        foreach ($pairs as $id => [$before, $after]) {
            $entries[] = sprintf(
                '"%s":[%s,%s]',
                $id,
                null === $before ? 'null' : SectionForm::encoded($before, $known),
                null === $after ? 'null' : SectionForm::encoded($after, $known, $before),
            );
        }

        return [] === $entries ? '[]' : '{' . implode(',', $entries) . '}';
    }

    /** @return array{string, string, string} */
    private static function outline(Outline $outline): array
    {
        return [$outline->ids, $outline->levels, $outline->flags];
    }

    private static function readOutline(mixed $stored): Outline
    {
        assert(
            is_array($stored) &&
                is_string($stored[0] ?? null) &&
                is_string($stored[1] ?? null) &&
                is_string($stored[2] ?? null),
        );

        return Outline::packed($stored[0], $stored[1], $stored[2]);
    }

    private static function readEdit(mixed $stored): OutlineEdit
    {
        assert(is_array($stored));

        return OutlineEdit::restored(
            (new Row($stored))->integer('at'),
            self::readOutline($stored['removed'] ?? null),
            self::readOutline($stored['inserted'] ?? null),
        );
    }

    /** @return array<string, mixed>|null */
    private static function offcut(?Offcut $offcut): ?array
    {
        return null === $offcut
            ? null
            : [
                'id' => $offcut->id->value,
                'reason' => $offcut->reason->value,
                'name' => $offcut->name,
                'after' => $offcut->after?->value,
                'outline' => self::outline($offcut->outline),
                ...null === $offcut->place ? [] : ['place' => $offcut->place->toJson()],
            ];
    }

    /** @param array<mixed> $stored */
    private static function readOffcut(array $stored): Offcut
    {
        $row = new Row($stored);
        $after = $row->findText('after');

        return new Offcut(
            SectionId::fromString($row->text('id')),
            OffcutReason::from($row->text('reason')),
            $row->text('name'),
            null === $after ? null : SectionId::fromString($after),
            self::readOutline($stored['outline'] ?? null),
            is_array($stored['place'] ?? null) ? PassagePlace::fromJson($stored['place']) : null,
        );
    }

    /**
     * @template T
     *
     * @param \Closure(array<mixed>): T $read
     *
     * @return array{T|null, T|null}
     */
    private static function pair(mixed $stored, \Closure $read): array
    {
        assert(is_array($stored));
        $each = static fn(mixed $value): mixed => is_array($value) ? $read($value) : null;

        return [$each($stored[0] ?? null), $each($stored[1] ?? null)];
    }

    /** @return array{Setup, Setup}|null */
    private static function readSetups(mixed $stored): ?array
    {
        return is_array($stored)
            ? [Setup::fromJson((array) ($stored[0] ?? [])), Setup::fromJson((array) ($stored[1] ?? []))]
            : null;
    }

    /** @return array{TitleBlock, TitleBlock}|null */
    private static function readTitleBlocks(Row $row): ?array
    {
        $pair = $row->findRow('titleBlock');

        if (null === $pair) {
            return null;
        }
        [$before, $after] = [$pair->findRow('0'), $pair->findRow('1')];
        assert(null !== $before && null !== $after);

        return [TitleBlockForm::read($before), TitleBlockForm::read($after)];
    }
}
