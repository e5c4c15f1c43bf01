<?php

declare(strict_types=1);

namespace Stemmata\Core\TypedNumber;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Text\Caption;
use Stemmata\Core\Text\CaptionKind;
use Stemmata\Core\Text\Node;

/**
 * Takes typed numbers such as “Figure 3: ” off the captions of a kind, when each of them bears just the number that is
 * computed for it; else all of that kind stay as they were typed, for the text speaks of them by these numbers.
 */
final class CaptionLifting
{
    public static function from(Document $document): Document
    {
        foreach (CaptionKind::cases() as $kind) {
            $leads = self::leads($document, $kind);
            if ([] !== $leads) {
                $document = self::without($document, $kind, $leads);
            }
        }

        return $document;
    }

    /** @return list<int> characters to leave out, for each caption of the kind; none when one of them is otherwise */
    private static function leads(Document $document, CaptionKind $kind): array
    {
        $leads = [];
        foreach ($document->references() as $references) {
            foreach ($references->captions as $caption) {
                if ($caption->kind !== $kind || '' === $caption->words) {
                    continue;
                }
                $lead = $kind->typedLead($caption->words, count($leads) + 1, $document->titleBlock->language);
                if (0 === $lead || mb_strlen($caption->words) === $lead) {
                    return [];
                }
                $leads[] = $lead;
            }
        }

        return $leads;
    }

    /** @param list<int> $leads */
    private static function without(Document $document, CaptionKind $kind, array $leads): Document
    {
        foreach ($document->sections() as $section) {
            if ([] === References::in($section)->captions) {
                continue;
            }
            $document = $document->withSection(
                $section->withBody(
                    $section->body->mapped(static function (Node $node) use ($kind, &$leads): Node {
                        $caption = Caption::findOf($node);
                        if ($kind !== $caption?->kind || '' === $caption->words) {
                            return $node;
                        }
                        $inline = Caption::inlineOf($node);
                        $blanks = mb_strlen($text = Node::plainTextOf($inline)) - mb_strlen(ltrim($text));

                        return Caption::withInline(
                            $node,
                            TypedLead::without($inline, $blanks + (int) array_shift($leads)),
                        );
                    }),
                ),
            );
        }

        return $document;
    }
}
