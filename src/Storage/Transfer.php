<?php

declare(strict_types=1);

namespace Stemmata\Storage;

use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\IdSource;
use Stemmata\Core\OffcutReason;
use Stemmata\Core\Operation\CutOut;
use Stemmata\Core\Operation\Extent;
use Stemmata\Core\Operation\Landing;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\TakeBranches;
use Stemmata\Core\SectionId;

/** Takes branches from one document to another: both change, or neither does. */
final readonly class Transfer
{
    public function __construct(private EntityManagerInterface $entities, private DocumentStore $store, private IdSource $ids)
    {
    }

    /**
     * @param int             $baseRevision of the document that the branches are in
     * @param list<SectionId> $sections
     * @param SectionId|null  $target       in the other document; null for its end
     * @param bool            $moves        whether they leave the first document, for its offcuts
     *
     * @return array{here: Written|null, there: Written}|Refused|Stale what was written here, when they left, and there
     *
     * @throws UnknownDocument
     */
    public function run(string $from, int $baseRevision, array $sections, string $to, Landing $landing, ?SectionId $target, bool $moves): array|Refused|Stale
    {
        if ($from === $to) {
            return Refused::sameDocument();
        }
        $source = $this->store->document($from);
        try {
            return $this->entities->wrapInTransaction(function () use ($source, $from, $baseRevision, $sections, $to, $landing, $target, $moves): array|Refused|Stale {
                $here = $moves ? $this->store->apply($from, $baseRevision, new CutOut($sections, Extent::Branch, OffcutReason::MovedAway, $this->ids)) : null;
                if ($here instanceof Refused || $here instanceof Stale) {
                    return $here;
                }
                $there = $this->store->apply($to, $this->store->get($to)->revision, new TakeBranches($source, $sections, $landing, $target, $this->ids));

                return $there instanceof Written ? ['here' => $here, 'there' => $there] : throw new TransferRefused($there);
            });
        } catch (TransferRefused $refused) {
            return $refused->outcome;
        }
    }
}
