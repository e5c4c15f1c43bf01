<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Contents\ContentsDifferences;
use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Node;

/** Brings the contents in a section's text up to date; what was done to their lines by hand stays. */
final readonly class RefreshContents implements Operation
{
    public function __construct(private SectionId $section) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if (!$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        $section = $document->section($this->section);
        $found = false;
        $lost = [];
        $body = $section->body->mapped(static function (Node $node) use ($document, &$found, &$lost): Node {
            if ('contents' !== $node->type) {
                return $node;
            }
            $found = true;
            $lost = [...$lost, ...ContentsDifferences::lostHandWork($document, $node)];

            return $node->withAttributes([...$node->attributes, 'lines' => ContentsLines::refreshed($document, $node)]);
        });
        $notices = array_map(
            fn(string $words): Notice => new Notice(
                sprintf('The line “%s”, made by hand, went: what it leads to is not in the document any more.', $words),
                [$this->section->value],
            ),
            $lost,
        );

        return $found
            ? new Applied($document->withSection($section->withBody($body)), $notices)
            : Refused::nothingToRefresh();
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return 'Refreshed the contents in ' . Described::section($before, $this->section);
    }
}
