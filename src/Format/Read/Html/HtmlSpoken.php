<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Text\Direction;
use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;

/** The language and direction of a part. A text cannot hold them yet, so they are told of. */
final class HtmlSpoken
{
    public static function noteLosses(\DOMElement $element, DocumentBuilder $builder): void
    {
        if (!$element->hasAttributes()) {
            return;
        }
        $words = static fn(): string => $element->textContent;
        $isSaid = 'rtl' === strtolower($element->getAttribute('dir'));
        // A line runs as its first letter does; who says the same says nothing more.
        if ($isSaid && !Direction::isRightToLeft($element->textContent)) {
            $builder->note(ImportNote::DirectionLost, $words());
        }
        $language = strtolower($element->getAttribute('lang') ?: $element->getAttribute('xml:lang'));
        $ofPage = strtolower($element->ownerDocument?->documentElement?->getAttribute('lang') ?? '');
        if ('' !== $language && '' !== $ofPage && strtok($language, '-') !== strtok($ofPage, '-')) {
            $builder->note(ImportNote::LanguageLost, sprintf('%s: %s', $language, $words()));
        }
    }
}
