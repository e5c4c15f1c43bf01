<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Reminder;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\PlacesLedTo;

/**
 * Sections made once more: links among them lead to the copies, bookmarks get names that are free, links elsewhere
 * stay.
 */
final class Copies
{
    /**
     * @param list<Section>   $originals
     * @param list<SectionId> $newIds    one for each
     * @param Document        $into      where the copies are to stand
     *
     * @return list<Section>
     */
    public static function of(array $originals, array $newIds, Document $into, IdSource $ids): array
    {
        $idByOld = [];
        $nameById = [];
        $names = new FreeNames($into);
        foreach ($originals as $index => $original) {
            $idByOld[$original->id->value] = $newIds[$index]->value;
            $references = References::in($original);
            foreach ($references->reminders as $reminder) {
                $idByOld[$reminder->id] = $ids->next()->value;
            }
            foreach ($references->bookmarks as $id => $name) {
                $idByOld[$id] = $ids->next()->value;
                $nameById[$id] = $names->for($name);
            }
        }
        $renew = static fn(Node $node): Node => self::renewed($node, $idByOld, $nameById);

        return array_map(
            static function (Section $original, SectionId $newId) use ($renew): Section {
                $references = References::in($original);
                $copy = $original->copiedAs($newId);

                // A text that names and leads to nothing is the same text in the copy.
                return [] === $references->bookmarks && [] === $references->links && [] === $references->reminders
                    ? $copy
                    : $copy
                        ->withHeading(
                            Heading::ofInline(
                                array_map(
                                    static fn(Node $node): Node => $node->mapped($renew),
                                    $original->heading->inline,
                                ),
                            ),
                        )
                        ->withBody($original->body->mapped($renew));
            },
            $originals,
            $newIds,
        );
    }

    /** @param list<Section> $copies */
    public static function haveBookmarks(array $copies): bool
    {
        foreach ($copies as $copy) {
            if ([] !== References::in($copy)->bookmarks) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<string, string> $idByOld
     * @param array<string, string> $nameById
     */
    private static function renewed(Node $node, array $idByOld, array $nameById): Node
    {
        if ('bookmark' === $node->type) {
            $old = $node->textAttribute('id');

            return $node->withAttributes([
                'id' => $idByOld[$old] ?? $old,
                'name' => $nameById[$old] ?? $node->textAttribute('name'),
            ]);
        }

        if (in_array($node->type, ['bookmarkEnd', Reminder::TYPE], true)) {
            $old = $node->textAttribute('id');

            return $node->withAttributes([...$node->attributes, 'id' => $idByOld[$old] ?? $old]);
        }

        return PlacesLedTo::led($node, static function (string $target) use ($idByOld): string {
            $inner = LinkTarget::findInnerId($target);

            return null === $inner || !isset($idByOld[$inner])
                ? $target
                : str_replace($inner, $idByOld[$inner], $target);
        });
    }
}
