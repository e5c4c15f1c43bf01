<?php

declare(strict_types=1);

namespace Stemmata\Tests\Mutants;

/** The mistakes that can be made in a file of TypeScript, found by its text. */
final class TextMutations
{
    private const RULES = [
        ['/ === /', ' !== ', 'comparison'],
        ['/ !== /', ' === ', 'comparison'],
        ['/ <= /', ' < ', 'boundary'],
        ['/ >= /', ' > ', 'boundary'],
        ['/(?<=[\w)\]]) < (?=[\w(])/', ' <= ', 'boundary'],
        ['/(?<=[\w)\]]) > (?=[\w(])/', ' >= ', 'boundary'],
        ['/ && /', ' || ', 'boolean'],
        ['/ \|\| /', ' && ', 'boolean'],
        ['/ \?\? /', ' && ', 'default'],
        ['/(?<=[\s(])!(?=[\w(])/', '', 'boolean'],
        ['/(?<=\w) \+ 1\b/', ' - 1', 'off by one'],
        ['/(?<=\w) - 1\b/', ' + 1', 'off by one'],
        ['/\btrue\b(?=[,;)])/', 'false', 'boolean'],
        ['/\bfalse\b(?=[,;)])/', 'true', 'boolean'],
        ['/^ +(?:this|session|void this)\.[\w.]+\(.*\);$/m', '', 'removed'],
    ];

    /** @return list<Mutation> */
    public static function of(string $file, string $source): array
    {
        $found = [];
        foreach (self::RULES as [$pattern, $new, $what]) {
            preg_match_all($pattern, $source, $places, \PREG_OFFSET_CAPTURE);
            foreach ($places[0] as [$old, $at]) {
                $line = substr($source, (int) strrpos(substr($source, 0, $at), "\n"), 200);
                if (1 !== preg_match('~^\s*(?:/?\*|//|import|export type|type|interface)~', $line)) {
                    $found[] = new Mutation($file, $at, $old, $new, $what);
                }
            }
        }

        return $found;
    }
}
