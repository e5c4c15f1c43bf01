<?php

declare(strict_types=1);

namespace Stemmata\Http\Contents;

use OpenApi\Attributes as OA;
use Stemmata\Http\Contents\View\ContentsView;
use Stemmata\Storage\Document\DocumentStore;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

/** The contents that stand in a document. */
final readonly class ContentsController
{
    public function __construct(private DocumentStore $store) {}

    #[Route('/api/documents/{id}/contents', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/contents', operationId: 'readContents')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'All contents, in the order of the text',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: ContentsView::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function all(string $id): JsonResponse
    {
        return new JsonResponse(ContentsView::in($this->store->document($id)));
    }
}
