<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

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
 * Which sections, bookmarks and reminders a copy will have in place of which. With it each section is copied by itself,
 * so that a long document need not be held whole.
 */
final readonly class CopyPlan
{
    /**
     * @param array<string, string> $sectionByOld ids of sections; a bookmark may have the id of one
     * @param array<string, string> $idByOld      ids of bookmarks and reminders
     * @param array<string, string> $nameById of bookmarks that are called otherwise in the copy
     */
    private function __construct(private array $sectionByOld, private array $idByOld, private array $nameById) {}

    /**
     * @param list<SectionId>        $originals
     * @param list<SectionId>        $newIds     one for each
     * @param iterable<References>   $references of the originals, in any order
     * @param FreeNames|null         $names      of the place where the copies are to stand; null where no name is taken
     */
    public static function of(
        array $originals,
        array $newIds,
        iterable $references,
        IdSource $ids,
        ?FreeNames $names = null,
    ): self {
        $sectionByOld = [];
        foreach ($originals as $index => $original) {
            $sectionByOld[$original->value] = $newIds[$index]->value;
        }
        $idByOld = [];
        $nameById = [];
        foreach ($references as $each) {
            foreach ($each->reminders as $reminder) {
                $idByOld[$reminder->id] = $ids->next()->value;
            }
            foreach ($each->bookmarks as $id => $name) {
                $idByOld[(string) $id] = $ids->next()->value;
                if (null !== $names) {
                    $nameById[(string) $id] = $names->for($name);
                }
            }
        }

        return new self($sectionByOld, $idByOld, $nameById);
    }

    /** @param Section $original one of the originals */
    public function copy(Section $original): Section
    {
        $copy = $original->copiedAs(SectionId::fromString($this->sectionByOld[$original->id->value]));
        $references = References::in($original);
        // A text that names and leads to nothing is the same text in the copy.
        if ([] === $references->bookmarks && [] === $references->links && [] === $references->reminders) {
            return $copy;
        }
        $renew = fn(Node $node): Node => $this->renewed($node);

        return $copy
            ->withHeading(
                Heading::ofInline(
                    array_map(static fn(Node $node): Node => $node->mapped($renew), $original->heading->inline),
                ),
            )
            ->withBody($original->body->mapped($renew));
    }

    private function renewed(Node $node): Node
    {
        $old = $node->textAttribute('id');
        if ('bookmark' === $node->type) {
            return $node->withAttributes([
                'id' => $this->idByOld[$old] ?? $old,
                'name' => $this->nameById[$old] ?? $node->textAttribute('name'),
            ]);
        }
        if (in_array($node->type, ['bookmarkEnd', Reminder::TYPE], true)) {
            return $node->withAttributes([...$node->attributes, 'id' => $this->idByOld[$old] ?? $old]);
        }

        return PlacesLedTo::led($node, function (string $target): string {
            $inner = LinkTarget::findInnerId($target);

            $isToSection = null !== $inner && LinkTarget::toSection($inner) === $target;
            $new = ($isToSection ? $this->sectionByOld : $this->idByOld)[$inner ?? ''] ?? null;

            return null === $inner || null === $new ? $target : str_replace($inner, $new, $target);
        });
    }
}
