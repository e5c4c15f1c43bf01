<?php

declare(strict_types=1);

namespace Stemmata\Http\Find;

use OpenApi\Attributes as OA;
use Stemmata\Core\Find\Finder;
use Stemmata\Core\Find\Hit;
use Stemmata\Core\Find\Query;
use Stemmata\Core\Find\QueryForm;
use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Http\Find\View\FindQuery;
use Stemmata\Http\Find\View\FoundInOffcut;
use Stemmata\Http\Find\View\FoundInSection;
use Stemmata\Http\Find\View\FoundPlace;
use Stemmata\Http\Find\View\FoundView;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Section\Facts;
use Stemmata\Storage\Section\WordsIndex;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Looks for words in a document, or in a branch of it. */
final readonly class FindController
{
    /** Places that are told at once. */
    private const MOST = 12_000;
    private const MOST_OFFCUTS = 50;

    public function __construct(private DocumentStore $store, private WordsIndex $index, private Facts $facts) {}

    #[Route('/api/documents/{id}/find', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/find', operationId: 'find')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['query'],
                properties: [
                    new OA\Property('query', ref: FindQuery::class),
                    new OA\Property('section', type: 'string', description: 'Only this section and what is under it'),
                    new OA\Property(
                        'offcuts',
                        type: 'boolean',
                        description: 'Whether offcuts are looked through as well',
                    ),
                    new OA\Property(
                        'most',
                        type: 'integer',
                        description: 'So many places are told, 12,000 if not said',
                    ),
                ],
                type: 'object',
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'What was found, by section in the order of the document',
            content: new OA\JsonContent(ref: FoundView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function find(string $id, Request $request): JsonResponse
    {
        $body = JsonBody::of($request);
        $query = QueryForm::read($body->object('query'));
        $most = max(1, min(self::MOST, $body->findInteger('most') ?? self::MOST));
        $held = $this->index->findIn($id, $query);
        $scope = self::held(self::scope($this->store->document($id)->outline, $body->findText('section')), $held);
        $finder = new Finder($query);
        $found = [];
        $count = 0;
        foreach ($this->store->sectionsInTurn($id, $scope) as $section) {
            $hits = $finder->in($section);
            if ([] !== $hits) {
                $found[$section->id->value] = $hits;
                $count += count($hits);
            }
            if ($count > $most) {
                break;
            }
        }

        $offcuts = true === ($body->all()['offcuts'] ?? false) ? $this->inOffcuts($id, $finder, $held) : [];

        return new JsonResponse($this->told($id, $found, $query, $most, $offcuts));
    }

    /**
     * @param array<string, true>|null $held sections that may hold something; null for any
     *
     * @return list<FoundInOffcut>
     */
    private function inOffcuts(string $document, Finder $finder, ?array $held): array
    {
        $found = [];
        foreach ($this->store->shelf($document)->offcuts() as $offcut) {
            $count = 0;
            $sections = self::held($offcut->outline->ids(), $held);
            foreach ([] === $sections ? [] : $this->store->sectionsInTurn($document, $sections) as $section) {
                $count += count($finder->in($section));
            }
            if ($count > 0) {
                $found[] = new FoundInOffcut($offcut->id->value, $offcut->name, $count);
            }
            if (self::MOST_OFFCUTS === count($found)) {
                break;
            }
        }

        return $found;
    }

    /**
     * @param list<SectionId>          $sections
     * @param array<string, true>|null $held
     *
     * @return list<SectionId>
     */
    private static function held(array $sections, ?array $held): array
    {
        return array_values(
            array_filter($sections, static fn(SectionId $id): bool => null === $held || isset($held[$id->value])),
        );
    }

    /** @return list<SectionId> */
    private static function scope(Outline $outline, ?string $branch): array
    {
        $from = null === $branch ? null : $outline->findPosition(SectionId::fromString($branch));

        return null === $from ? $outline->ids() : $outline->slice($from, $outline->branchEnd($from))->ids();
    }

    /**
     * @param array<string, list<Hit>> $found   by section
     * @param list<FoundInOffcut>      $offcuts
     */
    private function told(string $document, array $found, Query $query, int $most, array $offcuts): FoundView
    {
        $facts = $this->facts->ofSections($document, array_map(strval(...), array_keys($found)));
        $left = $most;
        $sections = [];
        foreach ($found as $id => $hits) {
            $shown = array_slice($hits, 0, $left);
            $left -= count($shown);
            $sections[] = new FoundInSection(
                (string) $id,
                $facts[$id]['revision'] ?? 0,
                array_map(FoundPlace::of(...), $shown),
            );
        }
        $count = array_sum(array_map(count(...), $found));

        return new FoundView(min($count, $most), $count > $most, $query->isReplaceable(), $sections, $offcuts);
    }
}
