<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Markdown;

use League\CommonMark\Event\DocumentParsedEvent;
use League\CommonMark\Extension\Footnote\Node\Footnote;
use League\CommonMark\Extension\Footnote\Node\FootnoteContainer;
use League\CommonMark\Extension\Footnote\Node\FootnoteRef;
use League\CommonMark\Reference\Reference;

/**
 * Footnotes that nothing refers to, and second ones of the same name: the library throws them away. They are set aside
 * before it does, and stand behind the others afterwards, where the reader of the page finds and tells them.
 */
final class NotesOfNothing
{
    public const BEFORE_THE_LIBRARY = 35;
    public const AFTER_THE_LIBRARY = 5;

    /** @var list<Footnote> */
    private array $notes = [];

    public function setAside(DocumentParsedEvent $event): void
    {
        $known = [];
        $notes = [];
        foreach ($event->getDocument()->iterator() as $node) {
            if ($node instanceof FootnoteRef) {
                $known[$node->getReference()->getLabel()] = true;
            } elseif ($node instanceof Footnote) {
                $notes[] = $node;
            }
        }
        foreach ($notes as $note) {
            $label = $note->getReference()->getLabel();
            if (isset($known[$label])) {
                unset($known[$label]);
                continue;
            }
            $note->detach();
            $this->notes[] = $note;
        }
    }

    public function putBack(DocumentParsedEvent $event): void
    {
        if ([] === $this->notes) {
            return;
        }
        $container = new FootnoteContainer();
        foreach ($this->notes as $index => $note) {
            $name = 'of-nothing-' . $index;
            $named = new Footnote(new Reference($name, $name, $name));
            $named->replaceChildren($note->children());
            $container->appendChild($named);
        }
        $event->getDocument()->appendChild($container);
        $this->notes = [];
    }
}
