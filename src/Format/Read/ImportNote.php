<?php

declare(strict_types=1);

namespace Stemmata\Format\Read;

/** Everything that a reader can have to say of a file, beside what it kept as it was. */
enum ImportNote
{
    case ContentsLeftOut;
    case ContentsKept;
    case ContentsLineByHand;
    case NumbersLifted;
    case NumberDiffers;
    case NumberKeptAsWords;
    case LevelTooDeep;
    case RunningHeadLeftOut;
    case PageNumberLeftOut;
    case LinkLeadsNowhere;
    case LinkUnsafe;
    case BookmarkRenamed;
    case PictureOutside;
    case PictureOfOtherKind;
    case PictureTooLarge;
    case PictureMissing;
    case CommentLeftOut;
    case DeletionLeftOut;
    case InsertionKept;
    case HiddenTextLeftOut;
    case FormulaAsText;
    case TextBoxInLine;
    case ObjectLost;
    case ScriptLeftOut;
    case TableInTable;
    case NoteFlattened;
    case HeadingInTable;
    case HeadingFromContents;
    case LongOutlineText;
    case NestingCut;
    case EncodingGuessed;
    case FormatGuessed;
    case FileMissing;
    case KeptAsWords;
    case DirectionLost;
    case LanguageLost;
    case TitleBlockInText;
    case TermsAsParagraphs;
    case ReadingsInBrackets;
    case NoteOfNothing;

    public function kind(): ReportKind
    {
        return match ($this) {
            self::PictureOutside,
            self::PictureOfOtherKind,
            self::PictureTooLarge,
            self::PictureMissing,
            self::CommentLeftOut,
            self::ObjectLost,
            self::LinkUnsafe,
            self::FileMissing,
            self::KeptAsWords,
            self::DirectionLost,
            self::LanguageLost
                => ReportKind::Lost,
            self::ContentsLineByHand,
            self::NumberDiffers,
            self::NumberKeptAsWords,
            self::LinkLeadsNowhere,
            self::EncodingGuessed,
            self::FormatGuessed
                => ReportKind::Doubt,
            default => ReportKind::Changed,
        };
    }

    public function sentence(int $count): string
    {
        [$one, $many] = $this->sentences();

        return 1 === $count ? $one : sprintf($many, number_format($count));
    }

    /** @return array{string, string} for one, and for several with their number */
    private function sentences(): array
    {
        return match ($this) {
            self::ContentsLeftOut => [
                'A contents list was left out; contents are made here from the headings.',
                '%s contents lists were left out; contents are made here from the headings.',
            ],
            self::ContentsKept => [
                'A contents list follows the headings from now on.',
                '%s contents lists follow the headings from now on.',
            ],
            self::ContentsLineByHand => [
                'One line of contents says something else than its heading; it stays as worded by hand.',
                '%s lines of contents say something else than their headings; they stay as worded by hand.',
            ],
            self::NumbersLifted => [
                'The number of one heading was taken off its words; it is computed from now on.',
                'The numbers of %s headings were taken off their words; they are computed from now on.',
            ],
            self::NumberDiffers => [
                'One heading bears another number now than it did in the file.',
                '%s headings bear other numbers now than they did in the file.',
            ],
            self::NumberKeptAsWords => [
                'One heading begins with a number that follows no scheme; it stays among its words.',
                '%s headings begin with numbers that follow no scheme; they stay among their words.',
            ],
            self::LevelTooDeep => [
                'One heading was deeper than level 9 and stands at level 9.',
                '%s headings were deeper than level 9 and stand at level 9.',
            ],
            self::RunningHeadLeftOut => [
                'A line repeated on the pages was left out as a running head.',
                '%s lines repeated on the pages were left out as running heads.',
            ],
            self::PageNumberLeftOut => [
                'A line with a page number was left out.',
                '%s lines with page numbers were left out.',
            ],
            self::LinkLeadsNowhere => [
                'A link leads to a place that is nowhere in the file.',
                '%s links lead to places that are nowhere in the file.',
            ],
            self::LinkUnsafe => [
                'The address of one link could run as a program; only its words were kept.',
                'The addresses of %s links could run as programs; only their words were kept.',
            ],
            self::BookmarkRenamed => [
                'A bookmark was renamed: its name is taken, or holds signs that a name cannot.',
                '%s bookmarks were renamed: their names are taken, or hold signs that a name cannot.',
            ],
            self::PictureOutside => [
                'One picture lies outside the file; its address and description were kept.',
                '%s pictures lie outside the file; their addresses and descriptions were kept.',
            ],
            self::PictureOfOtherKind => [
                'One picture is of a kind that cannot be shown; only its description was kept.',
                '%s pictures are of a kind that cannot be shown; only their descriptions were kept.',
            ],
            self::PictureTooLarge => [
                'One picture is larger than 8 megabytes, or than 60 million dots; only its description was kept.',
                '%s pictures are larger than 8 megabytes, or than 60 million dots; only their descriptions were kept.',
            ],
            self::PictureMissing => [
                'One picture is named in the file but not in it.',
                '%s pictures are named in the file but not in it.',
            ],
            self::CommentLeftOut => ['One comment was left out.', '%s comments were left out.'],
            self::DeletionLeftOut => [
                'Text marked as deleted was left out, in one place.',
                'Text marked as deleted was left out, in %s places.',
            ],
            self::InsertionKept => [
                'Text marked as inserted was kept as text, in one place.',
                'Text marked as inserted was kept as text, in %s places.',
            ],
            self::HiddenTextLeftOut => [
                'Hidden text was left out, in one place.',
                'Hidden text was left out, in %s places.',
            ],
            self::FormulaAsText => ['One formula was kept as plain text.', '%s formulas were kept as plain text.'],
            self::TextBoxInLine => [
                'The words of a text box stand after the paragraph it hung on.',
                'The words of %s text boxes stand after the paragraphs they hung on.',
            ],
            self::ObjectLost => ['One embedded object could not be kept.', '%s embedded objects could not be kept.'],
            self::ScriptLeftOut => ['A script was left out.', '%s scripts were left out.'],
            self::TableInTable => [
                'A table within a table was kept as lines of its cell.',
                '%s tables within tables were kept as lines of their cells.',
            ],
            self::NoteFlattened => [
                'One footnote with several paragraphs is one paragraph now.',
                '%s footnotes with several paragraphs are one paragraph each now.',
            ],
            self::HeadingInTable => [
                'A heading in a table was kept as words of its cell.',
                '%s headings in tables were kept as words of their cells.',
            ],
            self::HeadingFromContents => [
                'One chapter had no heading in its text; it bears the one from the file’s contents.',
                '%s chapters had no headings in their text; they bear those from the file’s contents.',
            ],
            self::LongOutlineText => [
                'One line of the outline is a text rather than a heading, and was kept as a paragraph.',
                '%s lines of the outline are texts rather than headings, and were kept as paragraphs.',
            ],
            self::NestingCut => [
                'A list or quotation nested very deep was kept less deep.',
                '%s lists or quotations nested very deep were kept less deep.',
            ],
            self::EncodingGuessed => [
                'The file does not say how its letters are encoded; it was read as Windows-1252.',
                'The file does not say how its letters are encoded; it was read as Windows-1252.',
            ],
            self::FormatGuessed => [
                'The file is of another kind than its name says; it was read as what it is.',
                'The file is of another kind than its name says; it was read as what it is.',
            ],
            self::KeptAsWords => [
                'One part of the text could not be kept as what it is; its words are there.',
                '%s parts of the text could not be kept as what they are; their words are there.',
            ],
            self::DirectionLost => [
                'One part says in which direction it is written; its words were kept, the direction was not.',
                '%s parts say in which direction they are written; their words were kept, the directions were not.',
            ],
            self::LanguageLost => [
                'One part is in another language than the document; its words were kept, the name of the language was not.',
                '%s parts are in other languages than the document; their words were kept, the names of the languages were not.',
            ],
            self::NoteOfNothing => [
                'One footnote that nothing refers to was kept as a paragraph.',
                '%s footnotes that nothing refers to were kept as paragraphs.',
            ],
            self::TermsAsParagraphs => [
                'A list of terms and what they mean was kept as paragraphs.',
                '%s lists of terms and what they mean were kept as paragraphs.',
            ],
            self::ReadingsInBrackets => [
                'How one word is read, printed above it, stands in brackets after it.',
                'How %s words are read, printed above them, stands in brackets after each.',
            ],
            self::TitleBlockInText => [
                'A date or an abstract of the title page stands at the head of the text.',
                '%s parts of the title page, such as date and abstract, stand at the head of the text.',
            ],
            self::FileMissing => [
                'A part that the file lists is not in it.',
                '%s parts that the file lists are not in it.',
            ],
        };
    }
}
