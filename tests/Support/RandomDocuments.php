<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Reminder;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;

/** Documents of every shape the model allows, from a seed. */
final readonly class RandomDocuments
{
    private const WORDS = [
        'glass',
        'keeper',
        'log',
        'Sturm',
        '灯台',
        'gale',
        'šifra',
        'lamp',
        '𝄞',
        'naïve',
        'reading',
        'дом',
    ];

    public function __construct(private Randomizer $random, private CountingIds $ids) {}

    public function document(int $maxSections = 14): Document
    {
        $sections = [];
        if ($this->oneIn(3)) {
            $sections[] = [Level::Opening, new Section($this->ids->next(), Heading::none(), $this->body([]))];
        }
        $known = [];
        for ($count = $this->random->getInt(1, $maxSections); $count > 0; --$count) {
            $id = $this->ids->next();
            $known[] = $id;
            $heading = $this->oneIn(12) ? Heading::none() : Heading::ofInline($this->inline($known, false));
            $sections[] = [
                Level::from($this->random->getInt(1, 9)),
                new Section($id, $heading, $this->body($known), $this->oneIn(3) ? $this->words() : ''),
            ];
        }

        return Document::of(new TitleBlock($this->words()), $sections);
    }

    /** @param list<SectionId> $known */
    public function body(array $known): Body
    {
        $blocks = [];
        for ($count = $this->random->getInt(0, 4); $count > 0; --$count) {
            $blocks[] = $this->block($known);
        }

        return Body::of($blocks);
    }

    /** @param list<SectionId> $known */
    private function block(array $known): Node
    {
        return match ($this->random->getInt(0, 7)) {
            0 => new Node('quotation', content: [Node::paragraph($this->inline($known))]),
            1 => new Node('bulletList', content: [$this->item($known), $this->item($known)]),
            2 => new Node('codeBlock', ['language' => null], [Node::text($this->words())]),
            3 => new Node('separator'),
            4 => new Node(
                'calculation',
                content: [Node::text($this->random->getInt(1, 9) . ' / ' . $this->random->getInt(0, 9))],
            ),
            default => Node::paragraph($this->inline($known)),
        };
    }

    /** @param list<SectionId> $known */
    private function item(array $known): Node
    {
        return new Node('listItem', content: [Node::paragraph($this->inline($known))]);
    }

    /**
     * @param list<SectionId> $known
     *
     * @return list<Node>
     */
    private function inline(array $known, bool $bookmarks = true): array
    {
        $inline = [Node::text($this->words()), Node::text(' ' . $this->words(), [new Mark('emphasis')])];
        if ([] !== $known && $this->oneIn(4)) {
            $target = $known[$this->random->getInt(0, count($known) - 1)];
            $inline[] = Node::text($this->words(), [Mark::link('section:' . $target->value)]);
        }
        if ([] !== $known && $this->oneIn(6)) {
            $inline[] = new Node('crossReference', [
                'href' => 'section:' . $known[$this->random->getInt(0, count($known) - 1)]->value,
                'shows' => 'heading',
            ]);
        }
        if ($bookmarks && $this->oneIn(6)) {
            $id = $this->ids->next();
            $inline[] = new Node('bookmark', ['id' => $id->value, 'name' => 'mark_' . ltrim($id->value, 'n0')]);
            if ($this->oneIn(2)) {
                array_push(
                    $inline,
                    Node::text($this->words()),
                    new Node('bookmarkEnd', ['id' => $id->value]),
                    Node::text(' ' . $this->words()),
                );
            }
        }

        if ($bookmarks && $this->oneIn(8)) {
            $inline[] = (new Reminder($this->ids->next()->value, $this->words(), $this->oneIn(3)))->node();
        }

        return $inline;
    }

    private function words(): string
    {
        $words = [];
        for ($count = $this->random->getInt(1, 4); $count > 0; --$count) {
            $words[] = self::WORDS[$this->random->getInt(0, count(self::WORDS) - 1)];
        }

        return implode(' ', $words);
    }

    private function oneIn(int $times): bool
    {
        return 1 === $this->random->getInt(1, $times);
    }
}
