<?php

declare(strict_types=1);

namespace Stemmata\Http\Find;

use OpenApi\Attributes as OA;
use Stemmata\Core\Find\Finder;
use Stemmata\Core\Find\Found;
use Stemmata\Core\Find\QueryForm;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Http\Document\RequestedScope;
use Stemmata\Http\Find\View\FindQuery;
use Stemmata\Http\Find\View\FoundInOffcut;
use Stemmata\Http\Find\View\FoundInSection;
use Stemmata\Http\Find\View\FoundPlace;
use Stemmata\Http\Find\View\FoundView;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Section\Facts;
use Stemmata\Storage\Section\PossibleSections;
use Stemmata\Storage\Section\WordsIndex;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Looks for words in a document, or in a part of it. */
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
                    new OA\Property(
                        'sections',
                        type: 'string',
                        description: 'Only these sections: ids, separated by commas',
                    ),
                    new OA\Property('extent', type: 'string', enum: Extent::class),
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
        $finder = new Finder($query);
        $possible = $this->index->possibleIn($id, $query);
        $outline = $this->store->document($id)->outline;
        $scope = RequestedScope::read($outline, $body->findText('sections') ?? '', $body->findText('extent') ?? '');
        $found = Found::in(
            $this->store->sectionsInTurn($id, $possible->among(($scope?->in($outline) ?? $outline)->ids())),
            $finder,
            max(1, min(self::MOST, $body->findInteger('most') ?? self::MOST)),
        );
        $offcuts = true === ($body->all()['offcuts'] ?? false) ? $this->inOffcuts($id, $finder, $possible) : [];

        return new JsonResponse(
            new FoundView(
                $found->count,
                $found->isMore,
                $query->isReplaceable(),
                $this->sections($id, $found),
                $offcuts,
            ),
        );
    }

    /** @return list<FoundInOffcut> */
    private function inOffcuts(string $document, Finder $finder, PossibleSections $possible): array
    {
        $found = [];
        foreach ($this->store->shelf($document)->offcuts() as $offcut) {
            $sections = $possible->among($offcut->outline->ids());
            $count =
                [] === $sections ? 0 : Found::in($this->store->sectionsInTurn($document, $sections), $finder)->count;
            if ($count > 0) {
                $found[] = new FoundInOffcut($offcut->id->value, $offcut->name, $count);
            }
            if (self::MOST_OFFCUTS === count($found)) {
                break;
            }
        }

        return $found;
    }

    /** @return list<FoundInSection> */
    private function sections(string $document, Found $found): array
    {
        $ids = array_map(strval(...), array_keys($found->hits));
        $revisions = $this->facts->revisions($document);

        return array_map(
            static fn(string $id): FoundInSection => new FoundInSection(
                $id,
                $revisions[$id] ?? 0,
                array_map(FoundPlace::of(...), $found->hits[$id] ?? []),
            ),
            $ids,
        );
    }
}
