<?php

declare(strict_types=1);

namespace Stemmata\Storage\Document;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Operation\Between\TakeBranches;
use Stemmata\Core\Operation\Offcut\CutOut;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\SectionId;

/** Takes branches from one document to another: both change, or neither does. */
final readonly class Transfer
{
    public function __construct(private DocumentStore $store, private IdSource $ids) {}

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
    public function run(
        string $from,
        int $baseRevision,
        array $sections,
        string $to,
        Landing $landing,
        ?SectionId $target,
        bool $moves,
    ): array|Refused|Stale {
        if ($from === $to) {
            return Refused::sameDocument();
        }
        $taking = new Step(
            $to,
            null,
            fn(Document $there): TakeBranches => new TakeBranches(
                $this->store->document($from),
                $sections,
                $landing,
                $target,
                $this->ids,
            ),
        );
        $cutting = Step::of(
            $from,
            $baseRevision,
            new CutOut($sections, Extent::Branch, OffcutReason::MovedAway, $this->ids),
        );
        $written = $moves ? $this->store->applyTogether($cutting, $taking) : $this->store->applyTogether($taking);
        if (!is_array($written)) {
            return $written;
        }

        return ['here' => $moves ? $written[0] : null, 'there' => $written[count($written) - 1]];
    }
}
