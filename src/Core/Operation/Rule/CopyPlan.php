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
     * @param array<string, string> $idByOld
     * @param array<string, string> $nameById of bookmarks that are called otherwise in the copy
     */
    private function __construct(private array $idByOld, private array $nameById) {}

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
        $idByOld = [];
        foreach ($originals as $index => $original) {
            $idByOld[$original->value] = $newIds[$index]->value;
        }
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

        return new self($idByOld, $nameById);
    }

    /** @param Section $original one of the originals */
    public function copy(Section $original): Section
    {
        $copy = $original->copiedAs(SectionId::fromString($this->idByOld[$original->id->value]));
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

            return null === $inner || !isset($this->idByOld[$inner])
                ? $target
                : str_replace($inner, $this->idByOld[$inner], $target);
        });
    }
}
