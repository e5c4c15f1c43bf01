<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Style;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Link\KindName;
use Stemmata\Core\Style\KindDefinition;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Text\KindsIn;
use Stemmata\Core\Text\Node;

/** Puts into a document’s style sheet the kinds of the writer’s own that its texts are of, so that they have a name. */
final class KindsUsed
{
    /** @param array<string, string> $labels what they are called in the file, by name */
    public static function defined(Document $document, array $labels): Document
    {
        $setup = $document->setup;
        $found = new StyleSheet($setup->sheet()->name, $setup->sheet()->basedOn);
        foreach (KindsIn::of(self::texts($document)) as $name => $isWords) {
            if (null === TextKind::find($name)) {
                $found = $found->withKind(
                    $name,
                    new KindDefinition(label: self::label($name, $labels[$name] ?? ''), isWords: $isWords),
                );
            }
        }
        $sheet = $setup->sheet()->withOwnOf($found);

        return $sheet == $setup->sheet() ? $document : $document->withSetup($setup->withSheet($sheet));
    }

    /** @return iterable<list<Node>> */
    private static function texts(Document $document): iterable
    {
        foreach ($document->sections() as $section) {
            yield [...$section->heading->inline, ...$section->body->blocks];
        }
    }

    /** A file may call a kind anything, or nothing. */
    private static function label(string $name, string $said): string
    {
        $label = trim(mb_substr(trim(mb_scrub($said, 'UTF-8')), 0, StyleSheet::MAX_LABEL));

        return '' === $label ? KindName::label($name) : $label;
    }
}
