<?php

declare(strict_types=1);

namespace Stemmata\Core\Merge;

use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\InvalidBody;
use Stemmata\Core\Text\Node;
use Stemmata\Core\Text\WordTokens;

/**
 * Puts together what was written in one section at two places at once: block by block, and within a block that both
 * changed word by word. What only one side changed is taken from it; where both changed the same words, what is
 * preferred. Paragraphs that both added at the same place both stay, theirs first.
 *
 * Where both sides changed different words the result is the same whichever of them is called mine.
 */
final class TextMerge
{
    /** @var list<Dispute> */
    private array $disputes = [];

    private function __construct(private readonly Preference $preference) {}

    /**
     * @param array{Heading, Body} $base   that both began with
     * @param array{Heading, Body} $mine   and what each made of it
     * @param array{Heading, Body} $theirs
     */
    public static function of(array $base, array $mine, array $theirs, Preference $preference): Merged
    {
        $merge = new self($preference);
        $heading = $merge->inline($base[0]->inline, $mine[0]->inline, $theirs[0]->inline);
        $blocks = $merge->blocks($base[1]->blocks, $mine[1]->blocks, $theirs[1]->blocks);
        [$heading, $blocks] = UniquePlaces::in($heading, $blocks);
        try {
            (new BodySchema())->check($blocks);
        } catch (InvalidBody) {
            // Changes that fit together word by word and yet make no text, such as the last two items of a list taken out.
            return self::whole($mine, $theirs, $preference);
        }

        return new Merged(Heading::ofInline($heading), Body::of($blocks), $merge->disputes);
    }

    /**
     * @param array{Heading, Body} $mine
     * @param array{Heading, Body} $theirs
     */
    private static function whole(array $mine, array $theirs, Preference $preference): Merged
    {
        [$heading, $body] = match ($preference) {
            Preference::Mine => $mine,
            Preference::Ask, Preference::Theirs => $theirs,
            Preference::Both => [
                $theirs[0],
                Body::of(UniquePlaces::in([], [...$theirs[1]->blocks, ...$mine[1]->blocks])[1]),
            ],
        };

        return new Merged($heading, $body, [new Dispute($mine[1]->blocks, $theirs[1]->blocks)]);
    }

    /**
     * @param list<Node> $base
     * @param list<Node> $mine
     * @param list<Node> $theirs
     *
     * @return list<Node>
     */
    private function blocks(array $base, array $mine, array $theirs): array
    {
        $merged = [];
        foreach (Regions::of($base, $mine, $theirs, Words::keyOf(...)) as $region) {
            array_push($merged, ...self::oneSided($region) ?? $this->bothChanged($region));
        }

        return $merged;
    }

    /**
     * @param Region<Node> $region
     *
     * @return list<Node>|null null where both sides changed it, each in its own way
     */
    private static function oneSided(Region $region): ?array
    {
        return match (true) {
            !$region->isMine => $region->theirs,
            !$region->isTheirs, $region->mine == $region->theirs => $region->mine,
            default => null,
        };
    }

    /**
     * @param Region<Node> $region
     *
     * @return list<Node>
     */
    private function bothChanged(Region $region): array
    {
        [$base, $mine, $theirs] = [$region->base, $region->mine, $region->theirs];
        if (self::isBlank($base)) {
            return [...$theirs, ...$mine];
        }

        return $this->wordByWord($base, $mine, $theirs);
    }

    /**
     * @param list<Node> $mine
     * @param list<Node> $theirs
     *
     * @return list<Node>
     */
    private function disputed(array $mine, array $theirs): array
    {
        $this->disputes[] = new Dispute($mine, $theirs);

        return match ($this->preference) {
            Preference::Mine => $mine,
            Preference::Ask, Preference::Theirs => $theirs,
            Preference::Both => [...$theirs, ...$mine],
        };
    }

    /**
     * Paragraphs word by word, so that one may be taken apart or joined with the next by one side and written in by the
     * other. A list, a table or the like is one great word among them; what both sides made of it is put together first.
     *
     * @param list<Node> $base
     * @param list<Node> $mine
     * @param list<Node> $theirs
     *
     * @return list<Node>
     */
    private function wordByWord(array $base, array $mine, array $theirs): array
    {
        $known = count($this->disputes);
        $kept = $this->keptBlocks($base, $mine, $theirs);
        if (null === $kept) {
            return $this->disputed($mine, $theirs);
        }
        $areKept = count($this->disputes);
        $words = $this->words(
            Words::ofParagraphs($base),
            Words::ofParagraphs($mine),
            Words::ofParagraphs($theirs),
            static fn(Node $word): string => $kept[spl_object_id($word)][0] ?? Words::keyOf($word),
        );
        if (Preference::Both === $this->preference && count($this->disputes) > $areKept) {
            $this->disputes = array_slice($this->disputes, 0, $known);

            return count($base) > 1 && count($base) === count($mine) && count($base) === count($theirs)
                ? array_merge(...array_map($this->oneBlock(...), $base, $mine, $theirs))
                : $this->disputed($mine, $theirs);
        }
        $merged = [];
        foreach (Words::paragraphs($words) as $block) {
            array_push($merged, ...$kept[spl_object_id($block)][1] ?? [$block]);
        }

        return $merged;
    }

    /** @return list<Node> */
    private function oneBlock(Node $base, Node $mine, Node $theirs): array
    {
        return $this->blocks([$base], [$mine], [$theirs]);
    }

    /**
     * Blocks other than paragraphs that were not taken out by both sides.
     *
     * @param list<Node> $base
     * @param list<Node> $mine
     * @param list<Node> $theirs
     *
     * @return array<int, array{string, list<Node>}>|null by the object's id: what it is known by, and what became of it;
     *     null where one side took out what the other wrote in
     */
    private function keptBlocks(array $base, array $mine, array $theirs): ?array
    {
        $kept = [];
        foreach ($base as $place => $block) {
            if ('paragraph' === $block->type) {
                continue;
            }
            $inMine = self::findMadeOf($block, $mine, $kept);
            $inTheirs = self::findMadeOf($block, $theirs, $kept);
            if (
                (($inMine ?? $block) != $block && null === $inTheirs) ||
                (($inTheirs ?? $block) != $block && null === $inMine)
            ) {
                return null;
            }
            $became = null === $inMine || null === $inTheirs ? [$block] : $this->block($block, $inMine, $inTheirs);
            foreach (array_filter([$block, $inMine, $inTheirs]) as $each) {
                $kept[spl_object_id($each)] = ['block ' . $place, $became];
            }
        }

        return $kept;
    }

    /**
     * @param list<Node>                            $blocks
     * @param array<int, array{string, list<Node>}> $kept   others that are known already
     *
     * @return Node|null which of them was made of the block
     */
    private static function findMadeOf(Node $block, array $blocks, array $kept): ?Node
    {
        foreach ($blocks as $other) {
            if (
                $block->type === $other->type &&
                !isset($kept[spl_object_id($other)]) &&
                self::shareWords($block, $other)
            ) {
                return $other;
            }
        }

        return null;
    }

    /** At least half of the words of the shorter one, where there are any. */
    private static function shareWords(Node $one, Node $other): bool
    {
        $words = static fn(Node $block): array => array_unique(
            array_filter(WordTokens::of($block->plainText()), static fn(string $word): bool => '' !== trim($word)),
        );
        [$these, $those] = [$words($one), $words($other)];

        return 2 * count(array_intersect($these, $those)) >= min(count($these), count($those));
    }

    private static function areOfOneKind(Node $base, Node $mine, Node $theirs): bool
    {
        return $base->type === $mine->type && $base->type === $theirs->type;
    }

    /** @return list<Node> the block; none or several where it was disputed */
    private function block(Node $base, Node $mine, Node $theirs): array
    {
        if ($mine == $base || $mine == $theirs) {
            return [$theirs];
        }
        if ($theirs == $base) {
            return [$mine];
        }
        $attributes = self::attributes($base->attributes, $mine->attributes, $theirs->attributes);
        if (null === $attributes || BodySchema::isLeaf($base->type) || !TableForm::fit($base, $mine, $theirs)) {
            return $this->disputed([$mine], [$theirs]);
        }
        $known = count($this->disputes);
        $content = BodySchema::holdsBlocks($base->type)
            ? $this->blocks($base->content, $mine->content, $theirs->content)
            : $this->inline($base->content, $mine->content, $theirs->content);
        $merged = $base->withAttributes($attributes)->withContent($content);
        if (!TableForm::isKept($merged, $base, $mine, $theirs)) {
            $this->disputes = array_slice($this->disputes, 0, $known);

            return $this->disputed([$mine], [$theirs]);
        }

        return [$merged];
    }

    /**
     * @param array<string, mixed> $base
     * @param array<string, mixed> $mine
     * @param array<string, mixed> $theirs
     *
     * @return array<string, mixed>|null null where both changed the same one, each in its own way
     */
    private static function attributes(array $base, array $mine, array $theirs): ?array
    {
        $merged = [];
        foreach (array_keys([...$base, ...$theirs, ...$mine]) as $name) {
            [$was, $one, $other] = [$base[$name] ?? null, $mine[$name] ?? null, $theirs[$name] ?? null];
            if ($one != $was && $other != $was && $one != $other) {
                return null;
            }
            $from = $one != $was ? $mine : $theirs;
            if (array_key_exists($name, $from)) {
                $merged[$name] = $from[$name];
            }
        }

        return $merged;
    }

    /**
     * @param list<Node> $base
     * @param list<Node> $mine
     * @param list<Node> $theirs
     *
     * @return list<Node>
     */
    private function inline(array $base, array $mine, array $theirs): array
    {
        return Node::joined($this->words(Words::of($base), Words::of($mine), Words::of($theirs), Words::keyOf(...)));
    }

    /**
     * @param list<Node>             $base
     * @param list<Node>             $mine
     * @param list<Node>             $theirs
     * @param \Closure(Node): string $key
     *
     * @return list<Node>
     */
    private function words(array $base, array $mine, array $theirs, \Closure $key): array
    {
        $merged = [];
        foreach (Regions::of($base, $mine, $theirs, $key) as $region) {
            array_push($merged, ...self::oneSided($region) ?? $this->sameWords($region));
        }

        return $merged;
    }

    /**
     * @param Region<Node> $region
     *
     * @return list<Node>
     */
    private function sameWords(Region $region): array
    {
        [$base, $mine, $theirs] = [$region->base, $region->mine, $region->theirs];
        $isOneNote =
            1 === count($base) &&
            1 === count($mine) &&
            1 === count($theirs) &&
            'footnote' === $base[0]->type &&
            self::areOfOneKind($base[0], $mine[0], $theirs[0]);
        if ($isOneNote) {
            return $this->block($base[0], $mine[0], $theirs[0]);
        }
        $this->disputes[] = new Dispute(Words::paragraphs($mine), Words::paragraphs($theirs));

        return match ($this->preference) {
            Preference::Mine => $mine,
            Preference::Ask, Preference::Theirs => $theirs,
            Preference::Both => [...$theirs, Node::text(' '), ...$mine],
        };
    }

    /** @param list<Node> $blocks */
    private static function isBlank(array $blocks): bool
    {
        foreach ($blocks as $block) {
            if ('paragraph' !== $block->type || [] !== $block->content) {
                return false;
            }
        }

        return true;
    }
}
