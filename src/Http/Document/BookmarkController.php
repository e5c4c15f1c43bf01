<?php

declare(strict_types=1);

namespace Stemmata\Http\Document;

use OpenApi\Attributes as OA;
use Stemmata\Http\Document\View\FormerBookmark;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\History\FormerBookmarks;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Finds bookmarks that are gone and that links still lead to. */
final readonly class BookmarkController
{
    public function __construct(private DocumentStore $store, private FormerBookmarks $former) {}

    #[Route('/api/documents/{id}/former-bookmark', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/former-bookmark', operationId: 'findFormerBookmark')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\QueryParameter(name: 'name', required: true, schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'The bookmark that bore the name; a place that is named so again takes over its links with its id',
            content: new OA\JsonContent(ref: FormerBookmark::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function find(string $id, Request $request): JsonResponse
    {
        $this->store->get($id);

        return new JsonResponse(new FormerBookmark($this->former->findId($id, $request->query->getString('name'))));
    }
}
