<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Wire;

use Stemmata\Core\Contents\ContentsOf;
use Stemmata\Core\Contents\ContentsPages;
use Stemmata\Core\Contents\ContentsSettings;
use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\CoreException;
use Stemmata\Core\Document\Marker;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Document\Stage;
use Stemmata\Core\Find\QueryForm;
use Stemmata\Core\Merge\Preference;
use Stemmata\Core\Numbering\CaptionNumbering;
use Stemmata\Core\Numbering\Scheme;
use Stemmata\Core\Operation\Batch;
use Stemmata\Core\Operation\Detail\ClearShapes;
use Stemmata\Core\Operation\Detail\DescribeDocument;
use Stemmata\Core\Operation\Detail\DescribeSection;
use Stemmata\Core\Operation\Detail\MakeAllSo;
use Stemmata\Core\Operation\Detail\NameMarker;
use Stemmata\Core\Operation\Detail\NumberCaptions;
use Stemmata\Core\Operation\Detail\RemoveKind;
use Stemmata\Core\Operation\Detail\SetUpPages;
use Stemmata\Core\Operation\Detail\ShapeKind;
use Stemmata\Core\Operation\Detail\SpreadTarget;
use Stemmata\Core\Operation\Detail\UseHouseStyle;
use Stemmata\Core\Operation\Detail\UseNumbering;
use Stemmata\Core\Operation\Detail\UseStyleSheet;
use Stemmata\Core\Operation\Idea\NoteIdea;
use Stemmata\Core\Operation\Idea\RewordIdea;
use Stemmata\Core\Operation\Move\Demote;
use Stemmata\Core\Operation\Move\Direction;
use Stemmata\Core\Operation\Move\MoveAmongSiblings;
use Stemmata\Core\Operation\Move\MoveBranch;
use Stemmata\Core\Operation\Move\Promote;
use Stemmata\Core\Operation\Move\SetLevel;
use Stemmata\Core\Operation\Offcut\BringBack;
use Stemmata\Core\Operation\Offcut\CutOut;
use Stemmata\Core\Operation\Offcut\DiscardOffcut;
use Stemmata\Core\Operation\Offcut\SetStretchAside;
use Stemmata\Core\Operation\Offcut\SetTextAside;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Rule\ContentsBlock;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Section\Duplicate;
use Stemmata\Core\Operation\Section\HeadingAfterJoin;
use Stemmata\Core\Operation\Section\InsertSection;
use Stemmata\Core\Operation\Section\JoinWithAbove;
use Stemmata\Core\Operation\Section\MakeHeading;
use Stemmata\Core\Operation\Section\MakeHeadings;
use Stemmata\Core\Operation\Section\SplitByRule;
use Stemmata\Core\Operation\Section\SplitRule;
use Stemmata\Core\Operation\Section\SplitSection;
use Stemmata\Core\Operation\Text\AddContentsLine;
use Stemmata\Core\Operation\Text\BookmarkCaption;
use Stemmata\Core\Operation\Text\ChangeContentsLine;
use Stemmata\Core\Operation\Text\ChangeReminder;
use Stemmata\Core\Operation\Text\GenerateContents;
use Stemmata\Core\Operation\Text\GiveKind;
use Stemmata\Core\Operation\Text\MergeText;
use Stemmata\Core\Operation\Text\PutTitleInText;
use Stemmata\Core\Operation\Text\RefreshContents;
use Stemmata\Core\Operation\Text\Rename;
use Stemmata\Core\Operation\Text\ReplaceBody;
use Stemmata\Core\Operation\Text\ReplaceFound;
use Stemmata\Core\Operation\Text\ReplaceStretch;
use Stemmata\Core\Operation\Text\SetOffQuotations;
use Stemmata\Core\Operation\Text\SetUpContents;
use Stemmata\Core\Operation\Text\TakeAsTitle;
use Stemmata\Core\Operation\Text\TitlePart;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;

/** Makes the operations that names and fields from outside stand for; OperationFields lists both. */
final readonly class OperationReader
{
    private const MAX_BATCH = 1000;
    /** Lines made headings at once; a long imported book has some thousands. */
    private const MAX_LINES = 20_000;

    public function __construct(private IdSource $ids) {}

    /**
     * @param array<mixed> $json `{"name": …, …}`
     *
     * @throws CoreException with one sentence, before any rule is asked
     */
    public function read(array $json): Operation
    {
        $fields = new Fields($json);
        $name = $fields->text('name');

        return match ($name) {
            'promote' => new Promote($fields->sections(), self::extent($fields)),
            'demote' => new Demote($fields->sections(), self::extent($fields)),
            'set-level' => new SetLevel(
                $fields->sections(),
                Level::ofHeading($fields->integer('level')),
                self::extent($fields),
            ),
            'move' => new MoveBranch(
                $fields->sections(),
                $fields->oneOf('landing', Landing::class),
                $fields->section('target'),
                self::extent($fields),
            ),
            'move-up' => new MoveAmongSiblings($fields->sections(), Direction::Up),
            'move-down' => new MoveAmongSiblings($fields->sections(), Direction::Down),
            'split' => new SplitSection(
                $fields->section('section'),
                $fields->integer('from'),
                $fields->findInteger('to') ?? $fields->integer('from'),
                $this->ids->next(),
            ),
            'join' => new JoinWithAbove(
                $fields->section('section'),
                $fields->oneOf('heading', HeadingAfterJoin::class),
                $this->ids->next(),
            ),
            'make-heading' => $this->makeHeading($fields),
            'make-headings' => $this->makeHeadings($fields),
            'take-as-title' => new TakeAsTitle(
                $fields->section('section'),
                $fields->integer('block'),
                $fields->oneOf('part', TitlePart::class),
                $this->ids->next(),
            ),
            'put-title-in-text' => new PutTitleInText($fields->oneOf('part', TitlePart::class), $this->ids->next()),
            'split-by-rule' => new SplitByRule(
                $fields->sections(),
                $fields->oneOf('rule', SplitRule::class),
                $fields->findInteger('words') ?? 1000,
                $this->ids,
            ),
            'use-numbering' => new UseNumbering(Scheme::fromJson($fields->raw('numbering'))),
            'name-marker' => new NameMarker($fields->oneOf('marker', Marker::class), $fields->text('words')),
            'number-captions' => new NumberCaptions($fields->oneOf('captions', CaptionNumbering::class)),
            'use-house-style' => new UseHouseStyle($fields->text('style')),
            'use-style-sheet' => new UseStyleSheet(StyleSheet::fromJson($fields->object('sheet'))),
            'shape-kind' => new ShapeKind($fields->text('kind'), $fields->object('changes')),
            'remove-kind' => new RemoveKind($fields->text('kind')),
            'make-all-so' => self::makeAllSo($fields),
            'set-off-quotations' => new SetOffQuotations($fields->section('section')),
            'clear-shapes' => new ClearShapes($fields->findText('kind')),
            'give-kind' => new GiveKind($fields->text('kind'), $fields->text('becomes')),
            'set-up-pages' => new SetUpPages($fields->has('pages') ? $fields->object('pages') : null),
            'insert' => new InsertSection(
                $this->ids->next(),
                Heading::plain($fields->findText('heading') ?? ''),
                $fields->oneOf('landing', Landing::class, Landing::After),
                $fields->findSection('target'),
            ),
            'rename' => self::rename($fields),
            'replace-body' => new ReplaceBody($fields->section('section'), Body::fromJson($fields->raw('body'))),
            'merge-text' => new MergeText(
                $fields->section('section'),
                self::sectionText($fields, 'began'),
                self::sectionText($fields, 'mine'),
                $fields->has('seen') ? self::sectionText($fields, 'seen') : null,
                $fields->oneOf('preference', Preference::class, Preference::Ask),
                $this->ids,
            ),
            'replace-found' => new ReplaceFound(
                QueryForm::read($fields->object('query')),
                $fields->text('with'),
                $fields->sections(),
                $fields->findInteger('only'),
            ),
            'replace-stretch' => $this->replaceStretch($fields),
            'bookmark-caption' => new BookmarkCaption(
                $fields->section('section'),
                $fields->integer('index'),
                $fields->section('bookmark'),
            ),
            'change-reminder' => new ChangeReminder(
                $fields->section('section'),
                $fields->section('reminder')->value,
                $fields->findText('words'),
                $fields->findBoolean('settled'),
            ),
            'duplicate' => new Duplicate($fields->sections(), self::extent($fields), $this->ids),
            'delete' => new CutOut($fields->sections(), self::extent($fields), OffcutReason::Deleted, $this->ids),
            'set-aside' => new CutOut($fields->sections(), self::extent($fields), OffcutReason::SetAside, $this->ids),
            'bring-back' => new BringBack(
                $fields->section('offcut'),
                $fields->oneOf('landing', Landing::class, Landing::After),
                $fields->findSection('target'),
                $fields->findInteger('at'),
            ),
            'set-text-aside' => new SetTextAside(
                $fields->section('section'),
                $fields->integer('from'),
                $fields->integer('to'),
                $this->ids,
                $fields->oneOf('reason', OffcutReason::class, OffcutReason::SetAside, [
                    OffcutReason::SetAside,
                    OffcutReason::Idea,
                ]),
            ),
            'set-stretch-aside' => new SetStretchAside(
                $fields->sections(),
                $fields->integer('from'),
                $fields->integer('to'),
                $this->ids,
            ),
            'note-idea' => new NoteIdea($fields->text('words'), $this->ids),
            'reword-idea' => new RewordIdea($fields->section('idea'), $fields->text('words')),
            'discard' => new DiscardOffcut($fields->section('offcut')),
            'describe-section' => self::describeSection($fields),
            'describe-document' => self::describeDocument($fields),
            'spread-target' => new SpreadTarget($fields->findSection('section')),
            'generate-contents' => new GenerateContents(
                $fields->section('section'),
                self::contentsSettings($fields),
                $fields->findInteger('block'),
            ),
            'set-up-contents' => new SetUpContents(self::contentsBlock($fields), self::contentsChanges($fields)),
            'change-contents-line' => new ChangeContentsLine(
                self::contentsBlock($fields),
                $fields->text('line'),
                $fields->findText('words'),
                $fields->findBoolean('out'),
            ),
            'add-contents-line' => new AddContentsLine(
                self::contentsBlock($fields),
                $fields->section('bookmark'),
                $fields->text('words'),
                $fields->integer('level'),
            ),
            'refresh-contents' => new RefreshContents($fields->section('section')),
            'batch' => $this->batch($fields),
            default => throw InvalidOperation::unknownName($name),
        };
    }

    private static function extent(Fields $fields): Extent
    {
        return $fields->oneOf('extent', Extent::class, Extent::Branch);
    }

    /**
     * A heading typed in the text comes as the editor keeps it; one given as a name, as plain words that the text has
     * yet to show.
     */
    private static function rename(Fields $fields): Rename
    {
        $isTyped = is_array($fields->raw('heading'));

        return new Rename(
            $fields->section('section'),
            $isTyped ? Heading::fromJson($fields->raw('heading')) : Heading::plain($fields->text('heading')),
            $isTyped,
        );
    }

    /** @return array{Heading, Body} */
    private static function sectionText(Fields $fields, string $field): array
    {
        $text = new Fields($fields->object($field));

        return [Heading::fromJson($text->raw('heading')), Body::fromJson($text->raw('body'))];
    }

    private function makeHeading(Fields $fields): MakeHeading
    {
        $blocks = $fields->has('blocks') ? $fields->integers('blocks') : [$fields->integer('block')];
        if (count($blocks) > self::MAX_BATCH) {
            throw InvalidOperation::tooMany(self::MAX_BATCH);
        }

        return new MakeHeading(
            $fields->section('section'),
            array_fill_keys($blocks, Level::ofHeading($fields->integer('level'))),
            $this->ids,
        );
    }

    /** `lines`: a list of `{section, block, level}`, in any order. */
    private function makeHeadings(Fields $fields): MakeHeadings
    {
        $bySection = [];
        $count = 0;
        foreach ($fields->list('lines') as $json) {
            $line = new Fields(is_array($json) ? $json : throw InvalidOperation::field('lines', 'a list of objects'));
            $bySection[$line->section('section')->value][$line->integer('block')] = Level::ofHeading(
                $line->integer('level'),
            );
            ++$count;
        }
        if ($count > self::MAX_LINES) {
            throw InvalidOperation::tooMany(self::MAX_LINES);
        }
        $steps = [];
        foreach ($bySection as $section => $levels) {
            $steps[] = new MakeHeading(SectionId::fromString($section), $levels, $this->ids);
        }

        return [] === $steps
            ? throw InvalidOperation::field('lines', 'a list of at least one object')
            : new MakeHeadings($steps, $count);
    }

    /** `texts`: a list of `{heading, body, level, id}`; the first needs neither level nor id. */
    private function replaceStretch(Fields $fields): ReplaceStretch
    {
        $sections = $fields->sections();
        $texts = array_map(static function (mixed $json): array {
            $text = new Fields(is_array($json) ? $json : throw InvalidOperation::field('texts', 'a list of objects'));
            $level = $text->findInteger('level');

            return [
                Heading::fromJson($text->raw('heading')),
                Body::fromJson($text->raw('body')),
                null === $level ? null : Level::ofHeading($level),
                $text->findSection('id'),
            ];
        }, $fields->list('texts'));
        if ([] === $sections || [] === $texts) {
            throw InvalidOperation::field([] === $texts ? 'texts' : 'sections', 'a list that is not empty');
        }
        if (count($texts) > self::MAX_BATCH) {
            throw InvalidOperation::tooMany(self::MAX_BATCH);
        }

        return new ReplaceStretch(
            $sections,
            $fields->findInteger('keptFrom'),
            $texts,
            $fields->oneOf('reason', OffcutReason::class, OffcutReason::Deleted, [
                OffcutReason::Deleted,
                OffcutReason::SetAside,
            ]),
            $this->ids,
        );
    }

    private static function describeSection(Fields $fields): DescribeSection
    {
        return new DescribeSection(
            $fields->sections(),
            $fields->findText('aim'),
            $fields->findInteger('target'),
            $fields->has('marker') ? $fields->oneOf('marker', Marker::class) : null,
            $fields->findBoolean('numbered'),
            $fields->findBoolean('appendix'),
            $fields->findBoolean('inContents'),
            $fields->has('stage') ? $fields->oneOf('stage', Stage::class) : null,
            $fields->has('shape') ? $fields->shape('shape') : null,
        );
    }

    private static function makeAllSo(Fields $fields): MakeAllSo
    {
        return new MakeAllSo($fields->text('kind'), $fields->shape('shape'));
    }

    private static function describeDocument(Fields $fields): DescribeDocument
    {
        return new DescribeDocument(
            $fields->findText('title'),
            $fields->findText('subtitle'),
            $fields->findText('author'),
            $fields->findText('guidingStatement'),
            $fields->findInteger('target'),
            $fields->findText('language'),
            $fields->findText('date'),
            $fields->findText('deadline'),
            $fields->findInteger('sittingGoal'),
            $fields->findText('question'),
        );
    }

    private static function contentsSettings(Fields $fields): ContentsSettings
    {
        return new ContentsSettings(
            $fields->integer('from'),
            $fields->integer('to'),
            $fields->findBoolean('numbers') ?? true,
            $fields->findText('title') ?? 'Contents',
            $fields->oneOf('pages', ContentsPages::class, ContentsPages::Dotted),
            $fields->findBoolean('twoColumns') ?? false,
            $fields->findBoolean('shaded') ?? false,
            $fields->findBoolean('ownPage') ?? false,
            $fields->findBoolean('always') ?? false,
            $fields->findSection('branch'),
            $fields->oneOf('of', ContentsOf::class, ContentsOf::Headings),
        );
    }

    /** @return array<string, mixed> as SetUpContents takes them */
    private static function contentsChanges(Fields $fields): array
    {
        $changes = [
            'from' => $fields->findInteger('from'),
            'to' => $fields->findInteger('to'),
            'numbers' => $fields->findBoolean('numbers'),
            'title' => $fields->findText('title'),
            'pages' => $fields->has('pages') ? $fields->oneOf('pages', ContentsPages::class)->value : null,
            'twoColumns' => $fields->findBoolean('twoColumns'),
            'shaded' => $fields->findBoolean('shaded'),
            'ownPage' => $fields->findBoolean('ownPage'),
            'always' => $fields->findBoolean('always'),
            'looks' => $fields->has('looks') ? self::looks($fields) : null,
            'of' => $fields->has('of') ? $fields->oneOf('of', ContentsOf::class)->value : null,
        ];

        return [
            ...array_filter($changes, static fn(mixed $value): bool => null !== $value),
            ...$fields->names('branch') ? ['branch' => $fields->findSection('branch')?->value] : [],
        ];
    }

    /** @return array<int, string|null> by level */
    private static function looks(Fields $fields): array
    {
        $looks = $fields->object('looks');
        $named = array_filter($looks, static fn(mixed $look): bool => null !== $look);
        if (count(LineLook::byLevel($named)) !== count($named)) {
            throw InvalidOperation::field('looks', 'a look for each level that it names');
        }
        $read = [];
        foreach ($looks as $level => $look) {
            $read[(int) $level] = is_string($look) ? $look : null;
        }

        return $read;
    }

    private static function contentsBlock(Fields $fields): ContentsBlock
    {
        return new ContentsBlock($fields->section('section'), $fields->integer('index'));
    }

    private function batch(Fields $fields): Batch
    {
        $operations = $fields->list('operations');
        if (count($operations) > self::MAX_BATCH) {
            throw InvalidOperation::tooMany(self::MAX_BATCH);
        }
        $read = array_map(
            fn(mixed $each): Operation => is_array($each) && 'batch' !== ($each['name'] ?? null)
                ? $this->read($each)
                : throw InvalidOperation::field('operations', 'a list of operations, none of them a batch'),
            $operations,
        );

        return [] === $read
            ? throw InvalidOperation::field('operations', 'a list of at least one operation')
            : new Batch($read);
    }
}
