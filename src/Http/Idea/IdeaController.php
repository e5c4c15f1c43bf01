<?php

declare(strict_types=1);

namespace Stemmata\Http\Idea;

use OpenApi\Attributes as OA;
use Stemmata\Core\Document\OffcutReason;
use Stemmata\Core\Operation\Idea\IdeaText;
use Stemmata\Http\Idea\View\IdeaView;
use Stemmata\Storage\Document\DocumentStore;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

/** The ideas beside the text of a document. */
final readonly class IdeaController
{
    public function __construct(private DocumentStore $store) {}

    #[Route('/api/documents/{id}/ideas', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/ideas', operationId: 'listIdeas')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'The last noted first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: IdeaView::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function list(string $id): JsonResponse
    {
        $shelf = $this->store->shelf($id);
        $ideas = [];
        foreach (array_reverse($shelf->offcuts()) as $offcut) {
            $section = OffcutReason::Idea === $offcut->reason ? $shelf->findSection($offcut->outline->idAt(0)) : null;
            if (null !== $section) {
                $words = IdeaText::findWords($section->body);
                $ideas[] = new IdeaView($offcut->id->value, $words ?? $section->body->plainText(), null !== $words);
            }
        }

        return new JsonResponse($ideas);
    }
}
