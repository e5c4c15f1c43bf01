<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Office;

/** The title, subtitle, author and date that an office document prints before everything else. */
final class TitleLines
{
    public ?string $title = null;
    public ?string $subtitle = null;
    public ?string $author = null;
    public ?string $date = null;

    /** @return bool false for a line that is none of them, or a second title, which is a line that looks like one */
    public function take(string $words, ParagraphStyle $style): bool
    {
        if ($style->isTitle() && null === $this->title) {
            $this->title = $words;
        } elseif ($style->isSubtitle() && null === $this->subtitle) {
            $this->subtitle = $words;
        } elseif ($style->isAuthor()) {
            $this->author = null === $this->author ? $words : $this->author . ', ' . $words;
        } elseif ($style->isDate() && null === $this->date) {
            $this->date = $words;
        } else {
            return false;
        }

        return true;
    }
}
