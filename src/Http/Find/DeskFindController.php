<?php

declare(strict_types=1);

namespace Stemmata\Http\Find;

use OpenApi\Attributes as OA;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\SectionNames;
use Stemmata\Core\Find\Finder;
use Stemmata\Core\Find\QueryForm;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Http\Find\View\FindQuery;
use Stemmata\Http\Find\View\FirstPlace;
use Stemmata\Http\Find\View\FoundOnDesk;
use Stemmata\Http\Find\View\FoundPlace;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Entity\DocumentRecord;
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

    public function __construct(private Desk $desk, private DocumentStore $store, private WordsIndex $index) {}

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
            $here = $this->inDocument($record, $this->index->findIn($record->id, $query), $finder);
            if ($here->count > 0 || $finder->isIn($record->title)) {
                $found[] = $here;
            }
        }

        return new JsonResponse($found);
    }

    /** @param array<string, true>|null $held sections that may hold something; null for any */
    private function inDocument(DocumentRecord $record, ?array $held, Finder $finder): FoundOnDesk
    {
        $scope = array_values(
            array_filter(
                $record->outline()->ids(),
                static fn(SectionId $id): bool => null === $held || isset($held[$id->value]),
            ),
        );
        $count = 0;
        $first = [];
        foreach ([] === $scope ? [] : $this->store->sectionsInTurn($record->id, $scope) as $section) {
            $hits = $finder->in($section);
            $count += count($hits);
            if ([] !== $hits && count($first) < self::FIRST) {
                $first[] = [$section->id, FoundPlace::of($hits[0])];
            }
            if ($count > self::MOST_COUNTED) {
                break;
            }
        }

        return new FoundOnDesk(
            $record->id,
            $record->title,
            min($count, self::MOST_COUNTED),
            $count > self::MOST_COUNTED,
            [] === $first ? [] : self::named($first, $this->store->document($record->id)),
        );
    }

    /**
     * @param list<array{SectionId, FoundPlace}> $places
     *
     * @return list<FirstPlace>
     */
    private static function named(array $places, Document $document): array
    {
        $names = SectionNames::of($document);
        $headings = $document->headings();

        return array_map(
            static fn(array $each): FirstPlace => new FirstPlace(
                $each[0]->value,
                $names[$each[0]->value] ?? ($headings[$document->outline->findPosition($each[0]) ?? 0] ?? ''),
                $each[1],
            ),
            $places,
        );
    }
}
