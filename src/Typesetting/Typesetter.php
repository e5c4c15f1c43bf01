<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

use Stemmata\Core\Counting\CaptionNumbers;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Picture;
use Stemmata\Typesetting\Engine\Engine;
use Stemmata\Typesetting\Engine\TypesettingFailed;

/** Makes pages of a document. The engine is sent only what it does not have yet. */
final readonly class Typesetter
{
    /** An engine that was ended and started anew says once more what it lacks. */
    private const MOST_ROUNDS = 6;

    public function __construct(private Engine $engine) {}

    /**
     * @param string             $name      of what is typeset, by which the engine keeps it warm
     * @param array<string, int> $revisions at which each section's text was last changed, by id; none for a document that
     *     is typeset once
     * @param PdfStandard|null   $standard  null when no file is wanted
     * @param bool               $staysWarm whether it will be typeset again soon
     *
     * @throws TypesettingFailed
     */
    public function typeset(
        Document $document,
        string $name,
        array $revisions = [],
        ?PdfStandard $standard = null,
        bool $staysWarm = false,
    ): Typeset {
        $sources = new Sources($document);
        $request = [
            'document' => $name,
            'isFleeting' => !$staysWarm,
            'look' => $sources->look(),
            'main' => $sources->main(),
            'sections' => (object) $sources->keys($revisions),
        ];
        if (null !== $standard) {
            $request['pdf'] = ['standard' => $standard->value];
        }
        $extra = [];
        $pictures = [];
        for ($round = 0; $round < self::MOST_ROUNDS; ++$round) {
            [$said, $bytes] = $this->engine->exchange($request + $extra);
            if (is_array($said['answer'] ?? null)) {
                return self::result($document, $said['answer'], $bytes);
            }
            $extra = is_array($said['missing'] ?? null)
                ? self::lacking($document, $sources, $said['missing'], $pictures)
                : throw is_string($said['failed'] ?? null) && 'limit' !== $said['failed']
                    ? TypesettingFailed::because($said['failed'])
                    : TypesettingFailed::tookTooMuch();
        }
        throw TypesettingFailed::notThere();
    }

    /**
     * @param array<mixed>           $missing
     * @param array<string, Picture> $pictures that were met so far, by hash
     *
     * @return array<string, mixed>
     */
    private static function lacking(Document $document, Sources $sources, array $missing, array &$pictures): array
    {
        $positions = $document->outline->positions();
        $made = [];
        $bytes = [];
        foreach (is_array($missing['sections'] ?? null) ? $missing['sections'] : [] as $id) {
            if (is_string($id) && isset($positions[$id])) {
                [$source, $shown] = $sources->section($positions[$id]);
                $made[$id] = [$source, array_map(strval(...), array_keys($shown))];
                $pictures += $shown;
            }
        }
        foreach (is_array($missing['pictures'] ?? null) ? $missing['pictures'] : [] as $hash) {
            if (is_string($hash) && isset($pictures[$hash])) {
                $bytes[$hash] = base64_encode($pictures[$hash]->bytes);
            }
        }

        return ['sources' => (object) $made, 'pictures' => (object) $bytes];
    }

    /** @param array<mixed> $answer */
    private static function result(Document $document, array $answer, string $pdf): Typeset
    {
        $findings = [];
        foreach (is_array($answer['findings'] ?? null) ? $answer['findings'] : [] as $finding) {
            $findings[] = self::sentence($document, is_array($finding) ? $finding : []);
        }

        $spots = is_array($answer['spots'] ?? null) ? $answer['spots'] : [];
        foreach ($spots as $spot) {
            if (is_array($spot) && 'in-parts' === ($spot[0] ?? null) && is_string($spot[1] ?? null)) {
                $findings[] = self::tooWide($document, $spot[1]);
            }
        }

        return new Typeset(
            PageMap::of(is_int($answer['pages'] ?? null) ? $answer['pages'] : 0, $spots),
            $findings,
            $pdf,
            PdfStandard::tryFrom(is_string($answer['standard'] ?? null) ? $answer['standard'] : '') ??
                PdfStandard::Tagged,
            is_string($answer['refused'] ?? null) ? $answer['refused'] : null,
            is_numeric($answer['milliseconds'] ?? null) ? (float) $answer['milliseconds'] : 0,
        );
    }

    /** @param array<mixed> $finding */
    private static function sentence(Document $document, array $finding): string
    {
        $id = $finding['section'] ?? null;
        $position = is_string($id) ? $document->outline->positions()[$id] ?? null : null;

        return null === $position
            ? 'The page numbers keep changing: a line that names a page moves it. They may be one off.'
            : sprintf('%s could be set as plain words only.', $document->nameAt($position));
    }

    /** @param string $place the section of a table, a colon and which of its pictures and tables it is */
    private static function tooWide(Document $document, string $place): string
    {
        [$section, $index] = [...explode(':', $place), '0'];
        $label = CaptionNumbers::of($document)->labels[$section][(int) $index] ?? '';
        $position = $document->outline->positions()[$section] ?? null;

        return sprintf(
            '%s%s is wider than the page: its columns are printed in parts below each other. A landscape page has more room.',
            '' === $label ? 'A table' : $label,
            null === $position ? '' : ' in ' . $document->nameAt($position),
        );
    }
}
