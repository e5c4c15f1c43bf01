<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Contents\ContentsLines;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Described;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Node;

/** Brings the contents in a section's text up to date. */
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
        $body = $section->body->mapped(static function (Node $node) use ($document, &$found): Node {
            if ('contents' !== $node->type) {
                return $node;
            }
            $found = true;

            return $node->withAttributes([
                ...$node->attributes,
                'lines' => ContentsLines::of(
                    $document,
                    ContentsLines::level($node, 'from'),
                    ContentsLines::level($node, 'to'),
                ),
            ]);
        });

        return $found ? new Applied($document->withSection($section->withBody($body))) : Refused::nothingToRefresh();
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
