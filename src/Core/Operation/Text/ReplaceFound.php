<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Find\Finder;
use Stemmata\Core\Find\InvalidQuery;
use Stemmata\Core\Find\Query;
use Stemmata\Core\Find\Replacement;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;

/** Puts other words in place of what is found in some sections: all of it, or one of the places. */
final readonly class ReplaceFound implements Operation
{
    /**
     * @param list<SectionId> $sections
     * @param int|null        $only     which of the places in the one section, from 0; null for all
     */
    public function __construct(
        private Query $query,
        private string $words,
        private array $sections,
        private ?int $only = null,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if (!$this->query->isReplaceable()) {
            return Refused::wrongQuery(InvalidQuery::severalWords()->getMessage());
        }
        $finder = new Finder($this->query);
        $replacement = new Replacement($this->query, $this->words);
        $count = 0;
        $changed = [];
        foreach ($this->sections as $id) {
            if (!$document->outline->has($id)) {
                return Refused::unknownSection($id->value);
            }
            try {
                $hits = $finder->in($document->section($id));
            } catch (InvalidQuery $reason) {
                return Refused::wrongQuery($reason->getMessage());
            }
            $hits = null === $this->only ? $hits : array_slice($hits, max(0, $this->only), 1);
            if ([] !== $hits) {
                $changed[] = $replacement->in($document->section($id), $hits);
                $count += count($hits);
            }
        }

        return 0 === $count
            ? Refused::missing('What was looked for is not there any more.')
            : new Applied($document->withSection(...$changed), [
                new Notice(
                    1 === $count ? 'One place was changed.' : sprintf('%s places were changed.', number_format($count)),
                    [],
                ),
            ]);
    }

    public function restsOn(): Basis
    {
        return null === $this->only ? Basis::nothing() : Basis::text(...$this->sections);
    }

    public function describe(Document $before): string
    {
        $shown = static fn(string $words): string => mb_strimwidth($words, 0, 40, '…');

        return '' === $this->words
            ? sprintf('Took “%s” out', $shown($this->query->words))
            : sprintf('Replaced “%s” with “%s”', $shown($this->query->words), $shown($this->words));
    }
}
