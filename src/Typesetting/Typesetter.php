<?php

declare(strict_types=1);

namespace Stemmata\Typesetting;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Text\Picture;
use Stemmata\Typesetting\Engine\Engine;
use Stemmata\Typesetting\Engine\StillSetting;
use Stemmata\Typesetting\Engine\TookTooMuch;
use Stemmata\Typesetting\Engine\TypesettingFailed;

/** Makes pages of a document. The engine is sent only what it does not have yet. */
final readonly class Typesetter
{
    /** An engine that was ended and started anew says once more what it lacks. */
    private const MOST_ROUNDS = 6;
    /** How long whoever can ask again waits at a time (seconds). */
    private const PATIENCE = 15.0;

    public function __construct(private Engine $engine) {}

    /**
     * @param string             $name      of what is typeset, by which the engine keeps it warm
     * @param array<string, int> $revisions at which each section's text was last changed, by id; none for a document that
     *     is typeset once
     * @param PdfStandard|null   $standard  null when no file is wanted
     * @param bool               $staysWarm whether it will be typeset again soon
     * @param \Closure(): mixed|null $whenRead is called when all of the document that the pages need has been read; whoever
     *     gives it asks again when the pages are still being made
     *
     * @throws TypesettingFailed
     * @throws StillSetting when that takes longer than a request with `$whenRead` waits for it
     */
    public function typeset(
        Document $document,
        string $name,
        array $revisions = [],
        ?PdfStandard $standard = null,
        bool $staysWarm = false,
        ?\Closure $whenRead = null,
    ): Typeset {
        [$simplified, $isAfresh] = [0, false];
        while (true) {
            $sources = new Sources($document, $simplified);
            $request = [
                'document' => $name,
                'isFleeting' => !$staysWarm,
                'simplified' => $simplified,
                'isAfresh' => $isAfresh && 0 === $simplified,
                'look' => $sources->look(),
                'main' => $sources->main(),
                'sections' => (object) $sources->keys($revisions),
            ];
            if (null !== $standard) {
                $request['pdf'] = ['standard' => $standard->value];
            }
            try {
                return $this->exchanged($document, $sources, $request, $whenRead);
            } catch (TookTooMuch $failed) {
                // The longest sections in plain words, so that all others have their pages.
                $isSimpler =
                    $simplified < HeavySections::MOST_ROUNDS &&
                    count($sources->plain()) < count(HeavySections::of($document, $simplified + 1));
                if (!$isSimpler && (!$failed->isRemembered || $isAfresh)) {
                    throw $failed;
                }
                // What took too long may be gone by now.
                [$simplified, $isAfresh] = $isSimpler ? [$simplified + 1, $isAfresh] : [0, true];
            }
        }
    }

    /**
     * @param array<string, mixed>   $request
     * @param \Closure(): mixed|null $whenRead
     *
     * @throws TypesettingFailed
     * @throws StillSetting
     */
    private function exchanged(Document $document, Sources $sources, array $request, ?\Closure $whenRead): Typeset
    {
        $extra = [];
        $pictures = [];
        // First only what lacks is asked for: pages may take long, and nothing is to be held open meanwhile.
        $patience = null === $whenRead ? null : 0.0;
        for ($round = 0; $round < self::MOST_ROUNDS; ++$round) {
            [$said, $bytes] = $this->engine->exchange($request + $extra, $patience);
            if (is_array($said['answer'] ?? null)) {
                return self::result($document, $sources->plain(), $said['answer'], $bytes);
            }
            if (is_int($said['waiting'] ?? null)) {
                // Whoever stands in line is told so at once, and holds nobody meanwhile.
                if (null === $whenRead || 0.0 !== $patience || $said['waiting'] > 0) {
                    throw new StillSetting($said['waiting']);
                }
                $whenRead();
                $patience = self::PATIENCE;
                $extra = [];
            } elseif (is_array($said['missing'] ?? null)) {
                $extra = self::lacking($document, $sources, $said['missing'], $pictures);
            } else {
                throw is_string($said['failed'] ?? null) && 'limit' !== $said['failed']
                    ? TypesettingFailed::because($said['failed'])
                    : new TookTooMuch(true === ($said['isRemembered'] ?? null));
            }
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

    /**
     * @param list<string> $plain ids of sections of which the words alone were sent
     * @param array<mixed> $answer
     */
    private static function result(Document $document, array $plain, array $answer, string $pdf): Typeset
    {
        $failures = is_array($answer['findings'] ?? null) ? $answer['findings'] : [];
        foreach ($plain as $section) {
            $failures[] = ['kind' => 'left-out', 'section' => $section];
        }
        $spots = is_array($answer['spots'] ?? null) ? $answer['spots'] : [];

        return new Typeset(
            PageMap::of(is_int($answer['pages'] ?? null) ? $answer['pages'] : 0, $spots),
            PageFindings::of($document, $failures, $spots),
            $pdf,
            PdfStandard::tryFrom(is_string($answer['standard'] ?? null) ? $answer['standard'] : '') ??
                PdfStandard::Tagged,
            is_string($answer['refused'] ?? null) ? $answer['refused'] : null,
            is_numeric($answer['milliseconds'] ?? null) ? (float) $answer['milliseconds'] : 0,
        );
    }
}
