<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Format\Read\DocumentBuilder;
use Stemmata\Format\Read\ImportNote;

/** Elements that are no text: what runs, what is fetched from elsewhere, and the parts of forms. */
final class HtmlDropped
{
    private const WITHOUT_LOSS = [
        'style',
        'template',
        'head',
        'noscript',
        'select',
        'input',
        'link',
        'meta',
        'title',
        'base',
    ];
    private const OBJECTS = ['iframe', 'object', 'embed', 'canvas', 'audio', 'video', 'applet'];

    public static function isDropped(\DOMElement $element): bool
    {
        $name = strtolower($element->localName ?? '');

        return in_array($name, ['script', ...self::OBJECTS, ...self::WITHOUT_LOSS], true) &&
            ('script' !== $name || null === TexInPage::findSource($element));
    }

    /** Says whether the element is left out, and tells the report. */
    public static function noted(\DOMElement $element, DocumentBuilder $builder): bool
    {
        if (!self::isDropped($element)) {
            return false;
        }
        $name = strtolower($element->localName ?? '');
        if ('script' === $name) {
            $builder->note(ImportNote::ScriptLeftOut);
        } elseif (in_array($name, self::OBJECTS, true)) {
            $builder->note(ImportNote::ObjectLost, $name);
        }

        return true;
    }
}
