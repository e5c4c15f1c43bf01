<?php

declare(strict_types=1);

namespace Stemmata\Core\Contents;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Node;

/** Contents that the writer wants to be always up to date follow each change, as a part of it. */
final class AlwaysCurrent
{
    public static function in(Document $document): Document
    {
        $refreshed = [];
        foreach ($document->contentsHolders() as $id) {
            $section = $document->section($id);
            $body = $section->body->mapped(
                static fn(Node $node): Node => 'contents' === $node->type &&
                true === $node->attribute('always') &&
                !ContentsLines::isCurrent($document, $node)
                    ? $node->withAttributes([
                        ...$node->attributes,
                        'lines' => ContentsLines::refreshed($document, $node),
                    ])
                    : $node,
            );
            if ($body != $section->body) {
                $refreshed[] = $section->withBody($body);
            }
        }

        return [] === $refreshed ? $document : $document->withSection(...$refreshed);
    }
}
