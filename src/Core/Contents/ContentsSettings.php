<?php

declare(strict_types=1);

namespace Stemmata\Core\Contents;

use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Node;

/** How contents are made and look, as the writer has set them. */
final readonly class ContentsSettings
{
    /**
     * @param int            $from        the first level that is taken in, 1 to 9
     * @param int            $to          the last one, from that on to 9
     * @param string         $title       over the lines; empty for none
     * @param bool           $twoColumns  whether the lines stand in two columns
     * @param bool           $isShaded    whether the block stands on a shade
     * @param bool           $onOwnPage   whether it has a page of its own
     * @param bool           $isAlwaysCurrent whether every change brings them up to date, or only the writer does
     * @param SectionId|null $branch      whose headings they are made of; null for the whole document
     * @param array<int, LineLook> $looks of lines by level, where they are not as the house style has them
     */
    public function __construct(
        public int $from,
        public int $to,
        public bool $numbers = true,
        public string $title = '',
        public ContentsPages $pages = ContentsPages::Dotted,
        public bool $twoColumns = false,
        public bool $isShaded = false,
        public bool $onOwnPage = false,
        public bool $isAlwaysCurrent = false,
        public ?SectionId $branch = null,
        public ContentsOf $of = ContentsOf::Headings,
        public array $looks = [],
    ) {}

    public function areSound(): bool
    {
        return $this->from >= 1 && $this->to <= 9 && $this->from <= $this->to;
    }

    public static function in(Node $contents): self
    {
        $branch = $contents->attribute('branch');
        $level = static function (string $name) use ($contents): int {
            $value = $contents->attribute($name);

            return is_int($value) ? $value : 1;
        };

        return new self(
            $level('from'),
            $level('to'),
            true === $contents->attribute('numbers'),
            $contents->textAttribute('title'),
            ContentsPages::tryFrom($contents->textAttribute('pages')) ?? ContentsPages::Dotted,
            true === $contents->attribute('twoColumns'),
            true === $contents->attribute('shaded'),
            true === $contents->attribute('ownPage'),
            true === $contents->attribute('always'),
            is_string($branch) ? SectionId::fromString($branch) : null,
            ContentsOf::tryFrom($contents->textAttribute('of')) ?? ContentsOf::Headings,
            LineLook::byLevel($contents->attribute('looks')),
        );
    }

    /** @return array<string, mixed> attributes of a contents block; those that are as usual are not there */
    public function attributes(): array
    {
        return [
            'title' => $this->title,
            'from' => $this->from,
            'to' => $this->to,
            'numbers' => $this->numbers,
            ...array_filter([
                'pages' => ContentsPages::Dotted === $this->pages ? null : $this->pages->value,
                'twoColumns' => $this->twoColumns,
                'shaded' => $this->isShaded,
                'ownPage' => $this->onOwnPage,
                'always' => $this->isAlwaysCurrent,
                'branch' => $this->branch?->value,
                'of' => ContentsOf::Headings === $this->of ? null : $this->of->value,
                'looks' => array_map(static fn(LineLook $look): string => $look->value, $this->looks),
            ]),
        ];
    }
}
