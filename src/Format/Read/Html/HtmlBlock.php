<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsPages;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Text\Node;
use Stemmata\Format\Read\Contents\FoundContents;
use Stemmata\Format\Shared\CalculationBlock;

/** What kinds of block elements there are, and the reading of those that hold no text of the flow. */
final class HtmlBlock
{
    private const BLOCKS = [
        'p',
        'blockquote',
        'ul',
        'ol',
        'li',
        'pre',
        'hr',
        'figure',
        'figcaption',
        'table',
        'div',
        'section',
        'article',
        'main',
        'header',
        'footer',
        'aside',
        'center',
        'address',
        'details',
        'summary',
        'form',
        'fieldset',
        'hgroup',
        'dl',
        'dt',
        'dd',
        'nav',
        'h1',
        'h2',
        'h3',
        'h4',
        'h5',
        'h6',
        'legend',
        'menu',
        'dir',
    ];

    public static function isBlock(\DOMElement $element): bool
    {
        return in_array($element->localName, self::BLOCKS, true);
    }

    /** Whether there is a block in an element, or what is a heading by its role. */
    public static function isWithin(\DOMElement $element): bool
    {
        foreach (HtmlTree::walk($element) as $each) {
            if (self::isBlock($each) || 'heading' === $each->getAttribute('role')) {
                return true;
            }
        }

        return false;
    }

    public static function isPageBreak(\DOMElement $element): bool
    {
        return in_array('page-break', explode(' ', $element->getAttribute('class')), true) &&
            '' === trim($element->textContent);
    }

    public static function isContents(\DOMElement $element): bool
    {
        return 'nav' === $element->localName &&
            'contents' === $element->getAttribute('class') &&
            $element->hasAttribute('data-from');
    }

    /** Its lines are collected again from the headings; of what the file says only hand work counts (ContentsElement). */
    public static function contents(\DOMElement $element): FoundContents
    {
        $from = max(1, min(9, (int) $element->getAttribute('data-from')));

        $looks = explode(' ', $element->getAttribute('data-look'));
        $settings = new ContentsSettings(
            $from,
            max($from, min(9, (int) $element->getAttribute('data-to'))),
            'yes' === $element->getAttribute('data-numbers'),
            $element->getAttribute('aria-label'),
            ContentsPages::tryFrom($element->getAttribute('data-pages')) ?? ContentsPages::Dotted,
            in_array('two-columns', $looks, true),
            in_array('shaded', $looks, true),
            in_array('own-page', $looks, true),
            in_array('always-current', $looks, true),
            of: ContentsOf::tryFrom($element->getAttribute('data-of')) ?? ContentsOf::Headings,
            looks: self::looks($element->getAttribute('data-looks')),
        );

        $found = new FoundContents($settings, true);
        preg_match_all('/([^\s:]+):([1-9])/u', $element->getAttribute('data-added'), $added);
        $levels = array_combine($added[1], array_map(intval(...), $added[2]));
        foreach (HtmlTree::within($element, 'a') as $link) {
            $item = $link->parentNode;
            $byHand = $link->getAttribute('title');
            $anchor = rawurldecode(substr((string) strstr($link->getAttribute('href'), '#'), 1));
            $level = $item instanceof \DOMElement ? (int) $item->getAttribute('data-level') : 0;
            $found->line(
                $anchor,
                $link->textContent,
                0 === $level ? $levels[$anchor] ?? 0 : $level,
                '' === $byHand ? null : $byHand,
            );
        }
        foreach (array_filter(explode(' ', $element->getAttribute('data-left-out'))) as $place) {
            // Behind a colon: which caption of its section.
            $colon = ContentsOf::Headings === $settings->of ? false : strrpos($place, ':');
            if (false === $colon) {
                $found->leftOut($place);
            } else {
                $found->leftOut(substr($place, 0, $colon), (int) substr($place, $colon + 1));
            }
        }

        return $found;
    }

    /** @return array<int, LineLook> from “1:strong 2:italic” */
    private static function looks(string $said): array
    {
        preg_match_all('/([1-9]):([a-z]+)/', $said, $looks);

        return LineLook::byLevel(array_combine(array_map(intval(...), $looks[1]), $looks[2]));
    }

    public static function code(\DOMElement $element): Node
    {
        $code = HtmlTree::first($element, 'code');
        $text = $element->textContent;
        // The line end before the closing tag belongs to the markup.
        $text = str_ends_with($text, "\n") ? substr($text, 0, -1) : $text;
        $class = $code?->getAttribute('class') ?? '';
        $language = 1 === preg_match('/(?:^| )language-(\S+)/', $class, $match) ? $match[1] : null;
        if (CalculationBlock::LANGUAGE === $language) {
            return CalculationBlock::read($text);
        }

        return new Node('codeBlock', ['language' => $language], '' === $text ? [] : [Node::text($text)]);
    }
}
