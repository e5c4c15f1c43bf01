<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

/** What is said of the document as a whole. Title and subtitle are not headings. */
final readonly class TitleBlock
{
    /** What stands further down than so many sections names no document. */
    public const NAMING = 20;

    /**
     * @param string   $guidingStatement what the whole document claims; never printed
     * @param int|null $target           words wanted in all, 1 or more
     * @param string   $language         a language tag after BCP 47
     * @param string   $question         what the whole document asks; never printed
     * @param string   $date             as the title page says it, in any words: “March 2026”
     */
    public function __construct(
        public string $title = '',
        public string $subtitle = '',
        public string $author = '',
        public string $guidingStatement = '',
        public ?int $target = null,
        public string $language = 'en',
        public string $date = '',
        public string $question = '',
    ) {}

    public function withTitle(string $title): self
    {
        return $this->called($title, $this->subtitle);
    }

    public function withSubtitle(string $subtitle): self
    {
        return $this->called($this->title, $subtitle);
    }

    private function called(string $title, string $subtitle): self
    {
        return new self(
            $title,
            $subtitle,
            $this->author,
            $this->guidingStatement,
            $this->target,
            $this->language,
            $this->date,
            $this->question,
        );
    }

    /**
     * What a document is called: its title, or without one its first heading with words. The screens have the same in
     * `documentName`.
     *
     * @param iterable<string> $headings in order; read as far as they are needed
     */
    public static function name(string $title, iterable $headings): string
    {
        if ('' !== trim($title)) {
            return $title;
        }
        $left = self::NAMING;
        foreach ($headings as $heading) {
            if ('' !== trim($heading)) {
                return $heading;
            }
            if (0 === --$left) {
                break;
            }
        }

        return 'Untitled';
    }
}
