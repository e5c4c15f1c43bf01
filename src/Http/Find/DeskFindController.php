<?php

declare(strict_types=1);

namespace Stemmata\Http\Find;

use OpenApi\Attributes as OA;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\SectionNames;
use Stemmata\Core\Find\Finder;
use Stemmata\Core\Find\Found;
use Stemmata\Core\Find\Hit;
use Stemmata\Core\Find\QueryForm;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Http\Find\View\FindQuery;
use Stemmata\Http\Find\View\FirstPlace;
use Stemmata\Http\Find\View\FoundOnDesk;
use Stemmata\Http\Find\View\FoundPlace;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Section\Facts;
use Stemmata\Storage\Section\WordsIndex;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Looks for words in all documents on the desk. */
final readonly class DeskFindController
{
    /** Places that are counted in a document, so that no long one keeps the others waiting. */
    private const MOST_COUNTED = 500;
    /** Sections that are told. */
    private const FIRST = 3;
    /** Sections that are read together, for most often the first few are enough. */
    private const AT_ONCE = 100;

    public function __construct(
        private Desk $desk,
        private DocumentStore $store,
        private WordsIndex $index,
        private Facts $facts,
    ) {}

    #[Route('/api/find', methods: ['POST'])]
    #[OA\Post(path: '/api/find', operationId: 'findOnDesk')]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['query'],
                properties: [new OA\Property('query', ref: FindQuery::class)],
                type: 'object',
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The documents that have it, the last changed first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: FoundOnDesk::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function find(Request $request): JsonResponse
    {
        $query = QueryForm::read(JsonBody::of($request)->object('query'));
        $finder = new Finder($query);
        $found = [];
        foreach ($this->desk->documents() as $record) {
            $scope = $this->index->possibleIn($record->id, $query)->among($record->outline()->ids());
            $here = Found::in($this->sections($record->id, $scope), $finder, self::MOST_COUNTED);
            if ($here->count > 0 || $finder->isIn($record->title)) {
                $found[] = new FoundOnDesk(
                    $record->id,
                    $record->title,
                    $here->count,
                    $here->isMore,
                    $this->named($record->id, array_slice($here->hits, 0, self::FIRST)),
                );
            }
        }

        return new JsonResponse($found);
    }

    /**
     * @param list<SectionId> $ids
     *
     * @return iterable<Section>
     */
    private function sections(string $document, array $ids): iterable
    {
        foreach (array_chunk($ids, self::AT_ONCE) as $some) {
            yield from $this->store->sectionsInTurn($document, $some);
        }
    }

    /**
     * @param array<string, non-empty-list<Hit>> $hits by section
     *
     * @return list<FirstPlace>
     */
    private function named(string $document, array $hits): array
    {
        $ids = array_map(strval(...), array_keys($hits));
        $headings = array_column($this->facts->ofSections($document, $ids), 'heading', 'id');
        $isCalledOtherwise = [] !== array_filter($headings, static fn(string $heading): bool => '' === trim($heading));
        $names = $isCalledOtherwise ? SectionNames::of($this->store->document($document)) : [];

        return array_map(
            static fn(string $id, array $places): FirstPlace => new FirstPlace(
                $id,
                $names[$id] ?? ($headings[$id] ?? ''),
                FoundPlace::of($places[0]),
            ),
            $ids,
            array_values($hits),
        );
    }
}
