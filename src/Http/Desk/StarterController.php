<?php

declare(strict_types=1);

namespace Stemmata\Http\Desk;

use OpenApi\Attributes as OA;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Starter\Starter;
use Stemmata\Format\Starter\ShippedStarters;
use Stemmata\Http\Desk\View\StarterView;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Storage\Desk\KeptStarters;
use Stemmata\Storage\Document\DocumentStore;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Ready outlines: those that ship, and those that the writer kept. */
final readonly class StarterController
{
    public function __construct(private ShippedStarters $shipped, private KeptStarters $kept, private IdSource $ids) {}

    #[Route('/api/starters', methods: ['GET'])]
    #[OA\Get(path: '/api/starters', operationId: 'listStarters')]
    #[
        OA\Response(
            response: 200,
            description: 'Those that ship, then the writer’s own',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: StarterView::class)),
        ),
    ]
    public function list(): JsonResponse
    {
        return new JsonResponse([
            ...array_map(
                fn(Starter $starter): StarterView => StarterView::of($starter, false, $this->ids),
                $this->shipped->all(),
            ),
            ...array_map(
                fn(Starter $starter): StarterView => StarterView::of($starter, true, $this->ids),
                $this->kept->all(),
            ),
        ]);
    }

    #[Route('/api/documents/{id}/starter', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/starter', operationId: 'keepAsStarter')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(required: ['name'], properties: [new OA\Property('name', type: 'string')]),
        ),
    ]
    #[
        OA\Response(
            response: 201,
            description: 'The outline is kept, without the text',
            content: new OA\JsonContent(ref: StarterView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function keep(string $id, Request $request, DocumentStore $store): JsonResponse
    {
        $name = trim(mb_substr(JsonBody::of($request)->text('name'), 0, 200));
        if ('' === $name) {
            throw ProblemException::malformed('A starter needs a name.');
        }

        return new JsonResponse(
            StarterView::of($this->kept->keep($name, $store->document($id)), true, $this->ids),
            201,
        );
    }

    #[Route('/api/starters/{id}', methods: ['DELETE'])]
    #[OA\Delete(path: '/api/starters/{id}', operationId: 'removeStarter')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\Response(response: 204, description: 'Gone; documents begun from it stay')]
    public function remove(string $id): JsonResponse
    {
        $this->kept->remove($id);

        return new JsonResponse(null, 204);
    }
}
