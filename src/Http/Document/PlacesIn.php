<?php

declare(strict_types=1);

namespace Stemmata\Http\Document;

use Stemmata\Core\Check\BrokenLinks;
use Stemmata\Core\Counting\CaptionNumbers;
use Stemmata\Core\Document\Document;
use Stemmata\Http\Document\View\CaptionView;
use Stemmata\Http\Document\View\Place\Bookmark;
use Stemmata\Http\Document\View\Place\InnerLink;
use Stemmata\Http\Document\View\Place\OuterLink;
use Stemmata\Http\Document\View\Place\Places;
use Stemmata\Http\Reminder\View\ReminderView;

/** Lists bookmarks, links and captions in the order of the text; what stands among the offcuts is not in the text. */
final class PlacesIn
{
    public static function document(Document $document): Places
    {
        $references = $document->references();
        $bookmarks = [];
        foreach ($references as $position => $each) {
            foreach ($each->bookmarks as $id => $name) {
                $bookmarks[] = new Bookmark((string) $id, $name, $document->outline->idAt($position)->value);
            }
        }
        $reminders = [];
        foreach ($references as $position => $each) {
            foreach ($each->reminders as $reminder) {
                $reminders[] = ReminderView::of($document->outline->idAt($position), $reminder);
            }
        }
        $broken = BrokenLinks::in(
            $document->outline,
            array_map(static fn(Bookmark $bookmark): string => $bookmark->id, $bookmarks),
        );
        $links = [];
        foreach ($references as $position => $each) {
            foreach ($each->links as $id => $words) {
                $links[] = new InnerLink(
                    $document->outline->idAt($position)->value,
                    (string) $id,
                    $words,
                    $broken->isBroken((string) $id),
                );
            }
        }

        $addresses = [];
        foreach ($references as $position => $each) {
            foreach ($each->addresses as $address => $words) {
                $addresses[] = new OuterLink($document->outline->idAt($position)->value, (string) $address, $words);
            }
        }

        $labels = CaptionNumbers::of($document)->labels;
        $captions = [];
        foreach ($references as $position => $each) {
            $section = $document->outline->idAt($position)->value;
            foreach ($each->captions as $index => $caption) {
                if ('' !== $caption->words) {
                    $captions[] = new CaptionView(
                        $section,
                        $index,
                        $caption->kind->value,
                        $labels[$section][$index] ?? '',
                        $caption->words,
                        $caption->bookmarks,
                    );
                }
            }
        }

        return new Places($bookmarks, $links, $addresses, $captions, $reminders);
    }
}
