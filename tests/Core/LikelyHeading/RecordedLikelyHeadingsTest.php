<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\LikelyHeading;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\LikelyHeading\LikelyHeadings;
use Stemmata\Core\LikelyHeading\Line;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Look;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Recorded;

/** What is found in documents of random looks, with what confidence and for which reasons, has not changed unseen. */
final class RecordedLikelyHeadingsTest extends TestCase
{
    private const DOCUMENTS = 200;
    private const WORDS = ['lamp', 'Oil', 'the', 'GLASS', 'gale', 'of', 'keeper', 'Log', '1895', 'tide', 'mole', 'and'];
    private const NUMBERS = [
        '',
        '',
        '',
        '1. ',
        '2.1 ',
        '2.1.3 ',
        'Chapter 3: ',
        'IV. ',
        'A.1 ',
        '(a) ',
        '7 ',
        '§ 4 ',
        'Volume 1: ',
        'Book 2: ',
        'Part III. ',
        'Act 4: ',
        'Teil 5: ',
        'Partie 6: ',
        'Livre 7: ',
    ];
    /** What short lines are that are no headings, and what looks like it. */
    private const OTHERS = [
        'Figure 3: The mole',
        'Figure 3',
        'Tab. 2 – Oil',
        'Table of lamps',
        'Note. The glass fell',
        'Page 12',
        'Pages of the log',
        '- the lamp',
        '• Oil',
        "Lamp\t40",
        'Lamp   40',
        'Lamp  40',
        '“It burned.”',
        '“It burned”, he said',
        'https://example.org',
        'keeper@example.org',
        'return lamp;',
        'if (lamp) {',
        'for the keepers',
        'light()',
        '1895',
        '12.',
        '1234',
        'XIV',
        'XIV.',
        '***',
        'LAMP',
        'L',
        'Lamp & Oil',
    ];
    private const ENDS = ['', '', '', '', '.', ':', '?', ',', '!', ' …'];

    public function testIsFoundAsBefore(): void
    {
        $lines = [];
        for ($seed = 1; $seed <= self::DOCUMENTS; ++$seed) {
            $found = [];
            foreach (LikelyHeadings::in(self::document(new Randomizer(new Mt19937($seed)))) as $group) {
                $found[] = sprintf('%s, level %d, %.2f', $group->look, $group->level, $group->confidence);
                foreach ($group->lines as $line) {
                    $found[] = Recorded::digest($line);
                }
            }
            $lines[] = sprintf('%d: %s', $seed, implode('; ', $found));
        }
        Recorded::assertSame(__DIR__ . '/recorded-likely-headings.txt', $lines);
    }

    /** Each line by itself: its kind, how much it stands out, and what else it may be. */
    public function testLinesAreTakenAsBefore(): void
    {
        $random = new Randomizer(new Mt19937(1));
        $blocks = array_map(static fn(string $words): Node => Node::paragraph([Node::text($words)]), self::OTHERS);
        while (count($blocks) < 400) {
            $number = self::NUMBERS[$random->getInt(0, count(self::NUMBERS) - 1)];
            $length = $random->getInt(0, 1) ? $random->getInt(1, 40) : $random->getInt(85, 155);
            $blocks[] = self::line($random, $number, $length, self::look($random), self::marks($random));
        }
        Recorded::assertSame(
            __DIR__ . '/recorded-lines.txt',
            array_map(static function (Node $block): string {
                $line = Line::find($block);

                return null === $line
                    ? 'none'
                    : sprintf(
                        '%s | %.1f%s%s | %s',
                        $line->kind(),
                        $line->prominence(),
                        $line->standsOut() ? ' stands out' : '',
                        $line->isOfOtherKind() ? ' is something else' : '',
                        Recorded::digest($line),
                    );
            }, $blocks),
        );
    }

    private static function document(Randomizer $random): Document
    {
        $ids = new CountingIds();
        $looks = [];
        for ($count = $random->getInt(1, 3); $count > 0; --$count) {
            $looks[] = [self::look($random), self::marks($random), $random->getInt(0, 3)];
        }
        $sections = [];
        foreach ([Level::Opening, Level::from($random->getInt(1, 9))] as $level) {
            $blocks = [];
            for ($left = $random->getInt(4, 14); $left > 0; --$left) {
                [$look, $marks, $isNumbered] = $looks[$random->getInt(0, count($looks) - 1)];
                $number = 0 === $isNumbered ? self::NUMBERS[$random->getInt(0, count(self::NUMBERS) - 1)] : '';
                $blocks[] = match ($random->getInt(0, 7)) {
                    0, 1, 2 => self::line($random, $number, $random->getInt(3, 70), $look, $marks),
                    3 => self::line($random, $number, $random->getInt(85, 95), $look, $marks),
                    4 => self::line($random, '', $random->getInt(147, 153), self::look($random), self::marks($random)),
                    5 => new Node(['separator', 'pageBreak'][$random->getInt(0, 1)]),
                    default => self::line($random, '', $random->getInt(60, 400), new Look(), []),
                };
            }
            $heading = $level->isOpening() ? Heading::none() : Heading::plain('The log');
            $sections[] = [$level, new Section($ids->next(), $heading, Body::of($blocks))];
        }

        return Document::of(new TitleBlock(['', 'Lamps'][$random->getInt(0, 1)]), $sections);
    }

    private static function look(Randomizer $random): Look
    {
        $maybe = static fn(int $from, int $to): ?int => 0 === $random->getInt(0, 1)
            ? null
            : $random->getInt($from, $to);

        return new Look(
            $maybe(70, 220),
            [null, null, 'center', 'right'][$random->getInt(0, 3)],
            0 === $random->getInt(0, 4),
            $maybe(0, 40),
            $maybe(0, 40),
            ['', '', 'Heading', 'Subhead 2', 'Body text', 'Quote'][$random->getInt(0, 5)],
        );
    }

    /** @return list<Mark> */
    private static function marks(Randomizer $random): array
    {
        return [
            [],
            [],
            [new Mark('strong')],
            [new Mark('strong')],
            [new Mark('emphasis')],
            [new Mark('code')],
        ][$random->getInt(0, 5)];
    }

    /**
     * @param int        $length in letters
     * @param list<Mark> $marks
     */
    private static function line(Randomizer $random, string $number, int $length, Look $look, array $marks): Node
    {
        $words = $number;
        while (mb_strlen($words) < $length) {
            $words .= self::WORDS[$random->getInt(0, count(self::WORDS) - 1)] . ' ';
        }
        $words = rtrim(mb_substr($words, 0, $length)) . self::ENDS[$random->getInt(0, count(self::ENDS) - 1)];
        $text = match ($random->getInt(0, $length > 84 && $length < 96 ? 2 : 9)) {
            // Two lines in one; a part of them without the marks.
            0 => [
                Node::text(mb_substr($words, 0, 20), $marks),
                new Node('hardBreak'),
                Node::text(mb_substr($words, 20) ?: 'x', $marks),
            ],
            1 => [Node::text(mb_substr($words, 0, 2), $marks), Node::text(mb_substr($words, 2) ?: 'x')],
            default => [Node::text($words, $marks)],
        };

        return Node::paragraph($text, $look);
    }
}
