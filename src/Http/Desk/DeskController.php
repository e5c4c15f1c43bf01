<?php

declare(strict_types=1);

namespace Stemmata\Http\Desk;

use OpenApi\Attributes as OA;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Format\Starter\ShippedStarters;
use Stemmata\Http\Desk\View\Created;
use Stemmata\Http\Desk\View\DocumentCard;
use Stemmata\Http\Desk\View\RemovedDocument;
use Stemmata\Http\Document\ViewOf;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Http\Request\Problem;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Http\Request\ProgressLines;
use Stemmata\Http\Request\UploadedBytes;
use Stemmata\Http\TextIn\Importing;
use Stemmata\Http\TextIn\View\Imported;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Desk\KeptHouseStyles;
use Stemmata\Storage\Desk\KeptStarters;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Entity\DocumentRecord;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The documents on the desk. */
#[
    OA\Response(
        response: 'Problem',
        description: 'What is wrong, in one sentence',
        content: new OA\MediaType('application/problem+json', schema: new OA\Schema(ref: Problem::class)),
    ),
]
final readonly class DeskController
{
    public function __construct(private Desk $desk, private DocumentStore $store, private ViewOf $viewOf) {}

    #[Route('/api/documents', methods: ['GET'])]
    #[OA\Get(path: '/api/documents', operationId: 'listDocuments')]
    #[
        OA\Response(
            response: 200,
            description: 'The last changed first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: DocumentCard::class)),
        ),
    ]
    public function list(): JsonResponse
    {
        return new JsonResponse(
            array_map(
                fn(DocumentRecord $record): DocumentCard => $this->viewOf->card($record),
                $this->desk->documents(),
            ),
        );
    }

    #[Route('/api/documents', methods: ['POST'])]
    #[OA\Post(path: '/api/documents', operationId: 'createDocument')]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['title'],
                properties: [
                    new OA\Property('title', type: 'string'),
                    new OA\Property(
                        'starter',
                        description: 'The id of a starter; without one the document has one empty section',
                        type: 'string',
                    ),
                ],
            ),
        ),
    ]
    #[OA\Response(response: 201, description: 'A new document', content: new OA\JsonContent(ref: Created::class))]
    #[OA\Response(ref: '#/components/responses/Problem', response: 400)]
    public function create(
        Request $request,
        IdSource $ids,
        ShippedStarters $shipped,
        KeptStarters $kept,
        KeptHouseStyles $looks,
    ): JsonResponse {
        $body = JsonBody::of($request);
        $wanted = $body->findText('starter') ?? 'blank';
        $starter =
            $shipped->find($wanted) ??
            ($kept->find($wanted) ?? throw ProblemException::malformed('There is no such starter any more.'));

        $document = $starter->opened($body->text('title'), $ids);
        $dressed = $document->withSetup($document->setup->withSheet($looks->forNew()));

        return new JsonResponse(new Created($this->desk->add($dressed)), 201);
    }

    #[Route('/api/documents/import', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/import', operationId: 'importDocument')]
    #[
        OA\QueryParameter(
            name: 'name',
            description: 'The file’s name; its ending tells the format',
            required: true,
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\RequestBody(
            content: new OA\MediaType(
                'application/octet-stream',
                schema: new OA\Schema(type: 'string', format: 'binary'),
            ),
        ),
    ]
    #[
        OA\Response(
            response: 201,
            description: 'Read and stored. Who accepts application/x-ndjson is told of the progress first, an object a line, the last one as here',
            content: new OA\JsonContent(ref: Imported::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function import(Request $request, Importing $importing): Response
    {
        $name = $request->query->getString('name');
        $file = UploadedBytes::of($request);
        if (!ProgressLines::areWanted($request)) {
            return new JsonResponse($importing->import($name, $file, static fn(): null => null), 201);
        }

        return ProgressLines::of(
            static fn(\Closure $progress): Imported => $importing->import($name, $file, $progress),
        );
    }

    #[Route('/api/documents/{id}', methods: ['DELETE'])]
    #[OA\Delete(path: '/api/documents/{id}', operationId: 'removeDocument')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\Response(response: 204, description: 'Off the desk; it can be restored')]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function remove(string $id): JsonResponse
    {
        $this->desk->remove($this->store->get($id)->id);

        return new JsonResponse(null, 204);
    }

    #[Route('/api/documents/{id}/restore', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/restore', operationId: 'restoreDocument')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'Back on the desk',
            content: new OA\JsonContent(ref: DocumentCard::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function restore(string $id): JsonResponse
    {
        return new JsonResponse($this->viewOf->card($this->desk->restore($id)));
    }

    #[Route('/api/removed-documents', methods: ['GET'])]
    #[OA\Get(path: '/api/removed-documents', operationId: 'listRemovedDocuments')]
    #[
        OA\Response(
            response: 200,
            description: 'Those taken off the desk, the last first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: RemovedDocument::class)),
        ),
    ]
    public function removed(): JsonResponse
    {
        return new JsonResponse(array_map($this->viewOf->removed(...), $this->desk->removedDocuments()));
    }

    #[Route('/api/removed-documents/{id}', methods: ['DELETE'])]
    #[OA\Delete(path: '/api/removed-documents/{id}', operationId: 'purgeDocument')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\Response(response: 204, description: 'Gone for good, with its history and its offcuts')]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function purge(string $id): JsonResponse
    {
        $this->desk->purge($id);

        return new JsonResponse(null, 204);
    }
}
