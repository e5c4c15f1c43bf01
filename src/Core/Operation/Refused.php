<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation;

/** Nothing was changed. The sentence is for the writer, the reason for the program. */
final readonly class Refused
{
    public function __construct(public RefusalReason $reason, public string $sentence) {}

    public static function unknownSection(string $id): self
    {
        return new self(
            RefusalReason::UnknownSection,
            sprintf(
                'There is no section “%s” in this document; it may have been deleted.',
                mb_strcut(mb_scrub($id), 0, 40),
            ),
        );
    }

    public static function sameWords(): self
    {
        return new self(
            RefusalReason::SameWords,
            'The same words were changed here and in another window; say which of the two is to stand.',
        );
    }

    public static function missing(string $sentence): self
    {
        return new self(RefusalReason::UnknownSection, $sentence);
    }

    public static function sameDocument(): self
    {
        return new self(
            RefusalReason::IntoItself,
            'That is the document they are in; to move them within it, use the outline.',
        );
    }

    public static function stillThere(): self
    {
        return new self(
            RefusalReason::NameTaken,
            'That section is in the document still, so there is nothing to bring back.',
        );
    }

    public static function secondOpening(): self
    {
        return new self(
            RefusalReason::OpeningIsFixed,
            'There is an opening now, and a document has only one; take the words of the earlier one from the comparison.',
        );
    }

    public static function noCaption(): self
    {
        return new self(
            RefusalReason::UnknownSection,
            'That picture or table has no caption any more; give it one, and refer to it again.',
        );
    }

    public static function wrongDay(): self
    {
        return new self(RefusalReason::OutOfRange, 'That is no day of the calendar; nothing was changed.');
    }

    public static function noTargetToSpread(): self
    {
        return new self(RefusalReason::OutOfRange, 'There is no target to spread; set one first.');
    }

    public static function nothingToSpreadOver(): self
    {
        return new self(
            RefusalReason::NothingPicked,
            'Every branch under it has a target of its own; nothing is left to spread it over.',
        );
    }

    public static function targetIsSpent(): self
    {
        return new self(
            RefusalReason::OutOfRange,
            'The targets of the branches under it take all of it; nothing is left for the others.',
        );
    }

    public static function unknownIdea(): self
    {
        return new self(RefusalReason::UnknownSection, 'That idea is not there any more.');
    }

    public static function ideaHoldsMore(): self
    {
        return new self(
            RefusalReason::OutOfRange,
            'This idea holds more than words; put it into the text and change it there.',
        );
    }

    public static function unknownReminder(): self
    {
        return new self(RefusalReason::UnknownSection, 'That reminder is not there any more.');
    }

    public static function tooLongReminder(): self
    {
        return new self(
            RefusalReason::OutOfRange,
            'That is more than a reminder can hold; write it into the text or the ideas instead.',
        );
    }

    public static function unknownOffcut(): self
    {
        return new self(
            RefusalReason::UnknownSection,
            'That offcut is no longer there; it may have been brought back already.',
        );
    }

    public static function placeGone(string $name): self
    {
        return new self(
            RefusalReason::UnknownSection,
            sprintf('The words that “%s” stood between are no longer there; put it at the cursor instead.', $name),
        );
    }

    public static function nothingPicked(): self
    {
        return new self(RefusalReason::NothingPicked, 'No section is picked.');
    }

    public static function openingHasNoLevel(): self
    {
        return new self(
            RefusalReason::OpeningIsFixed,
            'The opening has no heading, so it stays first and has no level.',
        );
    }

    public static function tooHigh(string $name): self
    {
        return new self(
            RefusalReason::LevelOutOfRange,
            sprintf('%s is at level 1 already; there is no higher level.', self::capital($name)),
        );
    }

    public static function tooDeep(string $name): self
    {
        return new self(
            RefusalReason::LevelOutOfRange,
            sprintf(
                '%s cannot go deeper: a heading in it would pass level 9, the deepest there is.',
                self::capital($name),
            ),
        );
    }

    public static function nothingDeeper(): self
    {
        return new self(
            RefusalReason::LevelOutOfRange,
            'Level 9 is the deepest there is, so nothing can stand under it.',
        );
    }

    public static function noWordsPicked(): self
    {
        return new self(RefusalReason::NothingPicked, 'Pick the words first that are to be set aside.');
    }

    public static function intoItself(string $name): self
    {
        return new self(RefusalReason::IntoItself, sprintf('%s cannot be moved into itself.', self::capital($name)));
    }

    public static function beforeOpening(): self
    {
        return new self(RefusalReason::OpeningIsFixed, 'Nothing can stand before the opening.');
    }

    public static function alreadyFirst(string $name): self
    {
        return new self(
            RefusalReason::NoNeighbour,
            sprintf('%s is the first at its place already.', self::capital($name)),
        );
    }

    public static function alreadyLast(string $name): self
    {
        return new self(
            RefusalReason::NoNeighbour,
            sprintf('%s is the last at its place already.', self::capital($name)),
        );
    }

    public static function nothingAbove(): self
    {
        return new self(RefusalReason::NoNeighbour, 'There is no section above to join with.');
    }

    public static function positionOutside(): self
    {
        return new self(RefusalReason::PositionOutside, 'That place is not in the text of this section.');
    }

    public static function notNeighbours(): self
    {
        return new self(
            RefusalReason::PositionOutside,
            'Other sections stand between these in the document; nothing was changed.',
        );
    }

    public static function wordsOfSeveralParagraphs(): self
    {
        return new self(RefusalReason::PositionOutside, 'The words of a new heading must lie within one paragraph.');
    }

    public static function notAParagraph(): self
    {
        return new self(
            RefusalReason::PositionOutside,
            'Only a paragraph that stands on its own can become a heading.',
        );
    }

    public static function headingHasNoWords(): self
    {
        return new self(RefusalReason::NothingPicked, 'A paragraph without words cannot become a heading.');
    }

    public static function bookmarkTaken(string $name, string $where): self
    {
        return new self(
            RefusalReason::NameTaken,
            sprintf('There is a bookmark “%s” already, in %s; give this one another name.', $name, $where),
        );
    }

    public static function idTaken(): self
    {
        return new self(RefusalReason::NameTaken, 'The new section bears the id of another one.');
    }

    public static function wrongTarget(): self
    {
        return new self(RefusalReason::OutOfRange, 'A target is a number of words from 1 to 100,000,000.');
    }

    /** @param string $sentence why nothing can be looked for, or not so */
    public static function wrongQuery(string $sentence): self
    {
        return new self(RefusalReason::OutOfRange, $sentence);
    }

    public static function wrongLanguage(): self
    {
        return new self(
            RefusalReason::OutOfRange,
            'A language is named by its tag after BCP 47, such as “en”, “de-AT” or “ar”.',
        );
    }

    public static function levelsReversed(): self
    {
        return new self(RefusalReason::OutOfRange, 'The contents must go from a level to the same or a deeper one.');
    }

    public static function noSuchLine(): self
    {
        return new self(RefusalReason::PositionOutside, 'There is no such line in these contents any more.');
    }

    public static function unknownBookmark(): self
    {
        return new self(RefusalReason::PositionOutside, 'That bookmark is not in the document any more.');
    }

    public static function lineWithoutWords(): self
    {
        return new self(RefusalReason::OutOfRange, 'A line of contents needs words.');
    }

    public static function lineLevel(): self
    {
        return new self(RefusalReason::LevelOutOfRange, 'A line of contents stands on one of the levels 1 to 9.');
    }

    /** @param string $sentence what is wrong with them */
    public static function wrongPages(string $sentence): self
    {
        return new self(RefusalReason::OutOfRange, $sentence);
    }

    public static function unknownHouseStyle(string $name): self
    {
        return new self(RefusalReason::OutOfRange, sprintf('There is no house style “%s”.', $name));
    }

    public static function unknownKind(string $name): self
    {
        return new self(RefusalReason::OutOfRange, sprintf('There is no kind of text of your own called “%s”.', $name));
    }

    public static function cannotGiveKind(string $name): self
    {
        return new self(
            RefusalReason::OutOfRange,
            sprintf(
                '“%s” does not fit here: all of one kind can be made another of your kinds of paragraphs or a quotation, or of your kinds of words.',
                $name,
            ),
        );
    }

    public static function invalidStyle(string $sentence): self
    {
        return new self(RefusalReason::OutOfRange, $sentence);
    }

    public static function nothingToRefresh(): self
    {
        return new self(RefusalReason::PositionOutside, 'There are no contents in this section to refresh.');
    }

    public static function noTitle(): self
    {
        return new self(RefusalReason::NothingPicked, 'There are no words there to become a paragraph.');
    }

    public static function wrongSplitLength(): self
    {
        return new self(RefusalReason::OutOfRange, 'A section of the wanted length has from 50 to 100,000 words.');
    }

    public static function nothingToSplitAt(): self
    {
        return new self(RefusalReason::NothingPicked, 'Nothing in this text is such a place to split at.');
    }

    public static function graftTooDeep(): self
    {
        return new self(
            RefusalReason::LevelOutOfRange,
            'Its headings cannot all stand here: the deepest would pass level 9.',
        );
    }

    public static function inBatch(int $index, self $refused): self
    {
        return new self(
            $refused->reason,
            0 === $index
                ? $refused->sentence
                : sprintf('Step %d cannot be done, so nothing was changed. %s', $index + 1, $refused->sentence),
        );
    }

    private static function capital(string $name): string
    {
        return mb_strtoupper(mb_substr($name, 0, 1)) . mb_substr($name, 1);
    }
}
