<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Page\PageSetup;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\Picture;

/** Documents full of what is hard to bring onto a page, from a seed: wide tables, large pictures, long words and formulas. */
final class RandomPages
{
    /** Stands in each cell of each table, so that one that is not printed is missed. */
    public const IN_EACH_CELL = 'ß';
    private const SYLLABLES = [
        'lan',
        'tern',
        'wa',
        'ter',
        'mark',
        'oil',
        'ba',
        'ro',
        'me',
        'W',
        'MM',
        'lu',
        'mi',
        'nous',
        'strength',
    ];

    public int $cells = 0;
    /** @var array<string, Picture> */
    private array $pictures = [];

    public function __construct(private readonly Randomizer $random, private readonly CountingIds $ids) {}

    public function document(): Document
    {
        $this->cells = 0;
        $this->pictures = [];
        $sections = [];
        for ($count = $this->among(1, 4); $count > 0; --$count) {
            $blocks = [];
            for ($left = $this->among(2, 6); $left > 0; --$left) {
                $blocks[] = $this->block(0);
            }
            $heading = $this->words($this->oneIn(8) ? 60 : $this->among(1, 9));
            $sections[] = [
                Level::from($this->among(1, 9)),
                new Section(
                    $this->ids->next(),
                    Heading::ofInline([Node::text(mb_substr($heading, 0, 500))]),
                    Body::of($blocks),
                ),
            ];
        }
        $document = Document::of(
            new TitleBlock($this->words($this->among(1, 12)), author: $this->words(2)),
            $sections,
        )->withPictures($this->pictures);
        $margin = $this->among(12, 25);

        return $document->withSetup(
            $document->setup->withStyle(HouseStyles::all()[$this->among(0, count(HouseStyles::all()) - 1)])->withPages(
                (new PageSetup())->changedBy([
                    'paper' => ['a4', 'a5', 'b5', 'letter', 'digest'][$this->among(0, 4)],
                    'margins' => array_fill_keys(['top', 'bottom', 'inner', 'outer'], $margin),
                    'twoSided' => $this->oneIn(2),
                    'header' => ['start' => [['field' => 'title']], 'end' => [['field' => 'heading1']]],
                ]),
            ),
        );
    }

    private function block(int $depth): Node
    {
        return match ($this->among(0, $depth > 3 ? 4 : 9)) {
            0, 1 => Node::paragraph($this->inline($this->among(1, 60))),
            2 => new Node('codeBlock', ['language' => null], [Node::text($this->code())]),
            3 => Node::formula($this->formula($this->among(1, 40)), true),
            4 => $this->figure(),
            5 => new Node('quotation', content: [$this->block($depth + 1)]),
            6 => new Node('bulletList', content: [$this->item($depth), $this->item($depth)]),
            default => $this->table(),
        };
    }

    private function item(int $depth): Node
    {
        return new Node(
            'listItem',
            content: [
                Node::paragraph($this->inline($this->among(1, 20))),
                ...$this->oneIn(2) ? [$this->block($depth + 1)] : [],
            ],
        );
    }

    private function table(): Node
    {
        $columns = $this->oneIn(4) ? $this->among(8, 30) : $this->among(1, 8);
        $rows = [];
        for ($count = $this->among(1, $columns > 12 ? 8 : 30); $count > 0; --$count) {
            $cells = [];
            for ($left = $columns; $left > 0; $left -= $span) {
                $span = $this->oneIn(9) ? $this->among(1, min(4, $left)) : 1;
                $cells[] = $this->cell([] === $rows, $span);
            }
            $rows[] = new Node('tableRow', content: $cells);
        }

        return new Node('table', $this->oneIn(5) ? ['landscape' => true] : [], [
            new Node('caption', content: $this->oneIn(2) ? [Node::text($this->words($this->among(1, 30)))] : []),
            ...$rows,
        ]);
    }

    private function cell(bool $isHeader, int $span): Node
    {
        ++$this->cells;

        return new Node(
            'tableCell',
            ['header' => $isHeader, 'align' => null] + ($span > 1 ? ['columns' => $span] : []),
            [
                Node::text(self::IN_EACH_CELL . ' '),
                ...match ($this->among(0, 12)) {
                    0 => [Node::formula($this->formula($this->among(1, 6)), false)],
                    1 => $this->inline($this->among(10, 40)),
                    2 => [],
                    3 => [$this->picture('image')],
                    4 => [new Node('footnote', content: [Node::text($this->words($this->among(1, 20)))])],
                    default => [Node::text($this->words($this->among(1, 3)))],
                },
            ],
        );
    }

    private function figure(): Node
    {
        return $this->picture('figure')->withContent([
            Node::text($this->words($this->oneIn(6) ? 400 : $this->among(1, 20))),
        ]);
    }

    /** @param string $type of the part that shows it */
    private function picture(string $type): Node
    {
        $picture = new Picture(
            'svg+xml',
            sprintf(
                '<svg xmlns="http://www.w3.org/2000/svg" width="%d" height="%d"><rect width="9" height="9"/></svg>',
                $this->among(10, 20_000),
                $this->among(10, 20_000),
            ),
        );
        $this->pictures[$picture->hash] = $picture;

        return new Node($type, [
            'src' => 'picture:' . $picture->hash,
            'alt' => 'A drawing',
            ...$this->oneIn(3) ? ['width' => $this->among(5, 100)] : [],
        ]);
    }

    /** @return list<Node> */
    private function inline(int $words): array
    {
        $inline = [Node::text($this->words($words))];
        if ($this->oneIn(3)) {
            $inline[] = Node::text(' ' . $this->words($this->among(1, 8)), [new Mark('strong')]);
        }
        if ($this->oneIn(4)) {
            $inline[] = Node::text(' ' . $this->code(), [new Mark('code')]);
        }
        if ($this->oneIn(6)) {
            $inline[] = Node::text(' ');
            $inline[] = Node::formula($this->formula($this->among(1, 12)), false);
        }

        return $inline;
    }

    private function formula(int $terms): string
    {
        if ($this->oneIn(12)) {
            // None that can be read: its source is printed.
            return '\\nothing{' . $this->words($this->among(1, 12)) . str_repeat('#path', $this->among(0, 30));
        }
        $parts = [];
        for (; $terms > 0; --$terms) {
            $parts[] = ['\frac{a+b}{c_{12}}', 'x^2', '\sqrt{y}', '\sum_{i=1}^{n} i', 'z', '\alpha'][$this->among(0, 5)];
        }

        return implode(' + ', $parts);
    }

    private function code(): string
    {
        return $this->words($this->among(1, 5)) . '/' . str_repeat('path_to', $this->among(0, 30));
    }

    private function words(int $count): string
    {
        $words = [];
        for (; $count > 0; --$count) {
            $word = '';
            $syllables = $this->oneIn(25) ? $this->among(5, 60) : $this->among(1, 5);
            for (; $syllables > 0; --$syllables) {
                $word .= self::SYLLABLES[$this->among(0, count(self::SYLLABLES) - 1)];
            }
            $words[] = $word;
        }

        return implode(' ', $words);
    }

    private function among(int $least, int $most): int
    {
        return $this->random->getInt($least, $most);
    }

    private function oneIn(int $times): bool
    {
        return 1 === $this->among(1, $times);
    }
}
