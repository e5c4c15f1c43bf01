<?php

declare(strict_types=1);

namespace Stemmata\Core\Style;

use Stemmata\Core\Page\PageSetup;

/**
 * How a document looks: one look for each kind of text, from which pages, web pages and office files are all made, and
 * the pages that go with it as long as the writer has not set up others.
 */
final readonly class HouseStyle
{
    /**
     * @param string                   $name  as it is kept and asked for
     * @param string                   $label as it is shown
     * @param string                   $about what it is for, in one sentence
     * @param array<string, TextStyle> $looks by the name of the kind, of all that are shipped
     * @param array<string, TextStyle> $own   of kinds of paragraphs of the writer’s own
     * @param array<string, WordLook>  $words of kinds of words of the writer’s own
     * @param array<string, string>    $labels what kinds of the writer’s own are called, by name
     * @param bool                     $isChanged whether a style sheet is laid over the one that ships
     */
    public function __construct(
        public string $name,
        public string $label,
        public string $about,
        public PageSetup $pages,
        public array $looks,
        public array $own = [],
        public array $words = [],
        public bool $isChanged = false,
        public array $labels = [],
    ) {}

    /** Whether a style sheet wants words broken somewhere, which a file that is not broken itself has to be told. */
    public function hyphenates(): bool
    {
        if (!$this->isChanged) {
            return false;
        }
        foreach ([...$this->looks, ...$this->own] as $look) {
            if ($look->hyphenates()) {
                return true;
            }
        }

        return false;
    }

    /** The look of a kind by its name, shipped or of the writer’s own; of one that no sheet knows, that of the body. */
    public function named(string $kind): TextStyle
    {
        return $this->own[$kind] ?? ($this->looks[$kind] ?? $this->of(TextKind::Body));
    }

    /** @param int $level of kinds that have levels, 1 to 9 */
    public function of(TextKind $kind, int $level = 1): TextStyle
    {
        return $this->looks[$kind->named($level)];
    }
}
