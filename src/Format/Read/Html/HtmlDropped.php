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

    /** Says whether the element is left out, and tells the report. */
    public static function noted(\DOMElement $element, DocumentBuilder $builder): bool
    {
        $name = strtolower($element->localName ?? '');
        if ('script' === $name && null !== TexInPage::findSource($element)) {
            return false;
        }
        if ('script' === $name) {
            $builder->note(ImportNote::ScriptLeftOut);

            return true;
        }
        if (in_array($name, self::OBJECTS, true)) {
            $builder->note(ImportNote::ObjectLost, $name);

            return true;
        }

        return in_array($name, self::WITHOUT_LOSS, true);
    }
}
