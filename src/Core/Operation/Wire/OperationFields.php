<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Wire;

use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsPages;
use Stemmata\Core\Document\Marker;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Stage;
use Stemmata\Core\Merge\Preference;
use Stemmata\Core\Numbering\CaptionNumbering;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Section\HeadingAfterJoin;
use Stemmata\Core\Operation\Section\SplitRule;
use Stemmata\Core\Operation\Text\TitlePart;

/**
 * The names by which operations travel, and the fields of each; OperationReader makes the operations. The description of
 * the HTTP interface is made from this table, so that TypeScript checks each call.
 *
 * A field's kind is one of those of KINDS, an enum whose values it takes, or values with `|` between; one with `?` before it may be left out.
 */
final class OperationFields
{
    /** What stands in each kind of field, in words. */
    public const KINDS = [
        'id' => 'the id of a section or of an offcut',
        'idOrNull' => 'the id of a section; null for none',
        'ids' => 'a list of ids of sections',
        'text' => 'a text of at most 8,192 bytes',
        'integer' => 'a whole number',
        'integers' => 'a list of at least one whole number',
        'boolean' => 'true or false',
        'heading' => 'plain words, or inline parts as the editor keeps them',
        'body' => 'blocks as the editor keeps them',
        'sectionText' => 'the text of a section: heading and body as the editor keeps them',
        'texts' => 'texts of sections: heading and body as the editor keeps them, and from the second on a level',
        'lines' =>
            'paragraphs that become headings, each with its section, its place among the blocks from 0 on, and its level',
        'numbering' => 'a numbering scheme; null for none',
        'pages' =>
            'what changes of the PageSetup, as a JSON Merge Patch (RFC 7396); null for the one of the house style',
        'looks' => 'looks of lines by level; null for the one of the house style, and what is not named stays',
        'styleSheet' => 'a style sheet, as docs/style-sheet.md describes it',
        'kindChanges' => 'properties of a kind of text that change; null takes away what was said',
        'query' => 'what is looked for, and how exactly',
        'operations' => 'operations that are done together or not at all, none of them a batch',
    ];

    private const CONTENTS = [
        'pages' => '?' . ContentsPages::class,
        'twoColumns' => '?boolean',
        'shaded' => '?boolean',
        'ownPage' => '?boolean',
        'always' => '?boolean',
        'branch' => '?id',
        'of' => '?' . ContentsOf::class,
    ];

    public const OF = [
        'promote' => ['sections' => 'ids', 'extent' => '?' . Extent::class],
        'demote' => ['sections' => 'ids', 'extent' => '?' . Extent::class],
        'set-level' => ['sections' => 'ids', 'level' => 'integer', 'extent' => '?' . Extent::class],
        'move' => ['sections' => 'ids', 'landing' => Landing::class, 'target' => 'id', 'extent' => '?' . Extent::class],
        'move-up' => ['sections' => 'ids'],
        'move-down' => ['sections' => 'ids'],
        'split' => ['section' => 'id', 'from' => 'integer', 'to' => '?integer'],
        'join' => ['section' => 'id', 'heading' => HeadingAfterJoin::class],
        'make-heading' => ['section' => 'id', 'level' => 'integer', 'block' => '?integer', 'blocks' => '?integers'],
        'make-headings' => ['lines' => 'lines'],
        'take-as-title' => ['section' => 'id', 'block' => 'integer', 'part' => TitlePart::class],
        'put-title-in-text' => ['part' => TitlePart::class],
        'split-by-rule' => ['sections' => 'ids', 'rule' => SplitRule::class, 'words' => '?integer'],
        'use-numbering' => ['numbering' => 'numbering'],
        'number-captions' => ['captions' => CaptionNumbering::class],
        'name-marker' => ['marker' => Marker::class, 'words' => 'text'],
        'use-house-style' => ['style' => 'text'],
        'use-style-sheet' => ['sheet' => 'styleSheet'],
        'shape-kind' => ['kind' => 'text', 'changes' => 'kindChanges'],
        'remove-kind' => ['kind' => 'text'],
        'make-all-so' => ['kind' => 'text', 'shape' => 'text'],
        'set-off-quotations' => ['section' => 'id'],
        'clear-shapes' => ['kind' => '?text'],
        'give-kind' => ['kind' => 'text', 'becomes' => 'text'],
        'set-up-pages' => ['pages' => '?pages'],
        'insert' => ['heading' => '?text', 'landing' => '?' . Landing::class, 'target' => '?id'],
        'rename' => ['section' => 'id', 'heading' => 'heading'],
        'replace-body' => ['section' => 'id', 'body' => 'body'],
        'merge-text' => [
            'section' => 'id',
            'began' => 'sectionText',
            'mine' => 'sectionText',
            'seen' => '?sectionText',
            'preference' => '?' . Preference::class,
        ],
        'replace-found' => ['query' => 'query', 'with' => 'text', 'sections' => 'ids', 'only' => '?integer'],
        'replace-stretch' => [
            'sections' => 'ids',
            'keptFrom' => '?integer',
            'texts' => 'texts',
            'reason' => '?' . OffcutReason::Deleted->value . '|' . OffcutReason::SetAside->value,
        ],
        'bookmark-caption' => ['section' => 'id', 'index' => 'integer', 'bookmark' => 'id'],
        'change-reminder' => [
            'section' => 'id',
            'reminder' => 'id',
            'words' => '?text',
            'settled' => '?boolean',
        ],
        'duplicate' => ['sections' => 'ids', 'extent' => '?' . Extent::class],
        'delete' => ['sections' => 'ids', 'extent' => '?' . Extent::class],
        'set-aside' => ['sections' => 'ids', 'extent' => '?' . Extent::class],
        'bring-back' => ['offcut' => 'id', 'landing' => '?' . Landing::class, 'target' => '?id', 'at' => '?integer'],
        'set-text-aside' => [
            'section' => 'id',
            'from' => 'integer',
            'to' => 'integer',
            'reason' => '?' . OffcutReason::SetAside->value . '|' . OffcutReason::Idea->value,
        ],
        'set-stretch-aside' => ['sections' => 'ids', 'from' => 'integer', 'to' => 'integer'],
        'note-idea' => ['words' => 'text'],
        'reword-idea' => ['idea' => 'id', 'words' => 'text'],
        'discard' => ['offcut' => 'id'],
        'describe-section' => [
            'sections' => 'ids',
            'aim' => '?text',
            'target' => '?integer',
            'marker' => '?' . Marker::class,
            'stage' => '?' . Stage::class,
            'shape' => '?text',
            'numbered' => '?boolean',
            'appendix' => '?boolean',
            'inContents' => '?boolean',
        ],
        'describe-document' => [
            'title' => '?text',
            'subtitle' => '?text',
            'author' => '?text',
            'guidingStatement' => '?text',
            'question' => '?text',
            'target' => '?integer',
            'language' => '?text',
            'date' => '?text',
            'deadline' => '?text',
            'sittingGoal' => '?integer',
        ],
        'spread-target' => ['section' => '?id'],
        'generate-contents' => [
            'section' => 'id',
            'from' => 'integer',
            'to' => 'integer',
            'numbers' => '?boolean',
            'title' => '?text',
            'block' => '?integer',
            ...self::CONTENTS,
        ],
        'set-up-contents' => [
            'section' => 'id',
            'index' => 'integer',
            'from' => '?integer',
            'to' => '?integer',
            'numbers' => '?boolean',
            'title' => '?text',
            ...self::CONTENTS,
            'branch' => '?idOrNull',
            'looks' => '?looks',
        ],
        'change-contents-line' => [
            'section' => 'id',
            'index' => 'integer',
            'line' => 'text',
            'words' => '?text',
            'out' => '?boolean',
        ],
        'add-contents-line' => [
            'section' => 'id',
            'index' => 'integer',
            'bookmark' => 'id',
            'words' => 'text',
            'level' => 'integer',
        ],
        'refresh-contents' => ['section' => 'id'],
        'batch' => ['operations' => 'operations'],
    ];
}
