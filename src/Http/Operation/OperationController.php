<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation;

use OpenApi\Attributes as OA;
use Stemmata\Core\Operation\Move\MoveBranch;
use Stemmata\Core\Operation\Text\Typing;
use Stemmata\Core\Operation\Wire\InvalidOperation;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Http\Document\ViewOf;
use Stemmata\Http\Operation\View\Conflict;
use Stemmata\Http\Operation\View\Rehearsal;
use Stemmata\Http\Operation\View\WriteOutcome;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Http\Request\ProblemListener;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Document\NothingToDo;
use Stemmata\Storage\Document\Stale;
use Stemmata\Storage\Document\Step;
use Stemmata\Storage\Document\Written;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The one door for changes. */
#[Route('/api/documents/{id}')]
final readonly class OperationController
{
    public function __construct(
        private DocumentStore $store,
        private OperationReader $reader,
        private Writing $writing,
        private ViewOf $viewOf,
    ) {}

    #[Route('/operations', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/operations', operationId: 'applyOperation')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['baseRevision', 'operation'],
                properties: [
                    new OA\Property('baseRevision', type: 'integer'),
                    new OA\Property('operation', ref: '#/components/schemas/Operation'),
                ],
            ),
        ),
    ]
    #[OA\Response(response: 200, description: 'Done and stored', content: new OA\JsonContent(ref: WriteOutcome::class))]
    #[
        OA\Response(
            response: 409,
            description: 'Another window was there first',
            content: new OA\MediaType('application/problem+json', schema: new OA\Schema(ref: Conflict::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function apply(string $id, Request $request): Response
    {
        $body = JsonBody::of($request);
        $base = $body->integer('baseRevision');
        $operation = $this->reader->read($body->object('operation'));

        // The window that typed has the text it sent; sending it back would only be in the way of the next keystroke.
        return $this->writing->answer(Step::of($id, $base, $operation), Typing::findSection($operation)?->value);
    }

    #[Route('/rehearsals', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/rehearsals', operationId: 'rehearseOperation')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['operation'],
                properties: [new OA\Property('operation', ref: '#/components/schemas/Operation')],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'What the move would do; nothing is stored',
            content: new OA\JsonContent(ref: Rehearsal::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function rehearse(string $id, Request $request): Response
    {
        $move = $this->reader->read(JsonBody::of($request)->object('operation'));
        if (!($move instanceof MoveBranch)) {
            throw InvalidOperation::field('operation', 'a move');
        }

        return new JsonResponse(RehearsalOf::move($this->store->document($id), $move));
    }

    #[Route('/undo', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/undo', operationId: 'undo')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['baseRevision'],
                properties: [new OA\Property('baseRevision', type: 'integer')],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The last step is undone',
            content: new OA\JsonContent(ref: WriteOutcome::class),
        ),
    ]
    #[
        OA\Response(
            response: 409,
            description: 'Another window was there first',
            content: new OA\MediaType('application/problem+json', schema: new OA\Schema(ref: Conflict::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function undo(string $id, Request $request): Response
    {
        $base = JsonBody::of($request)->integer('baseRevision');

        return $this->stepAnswer($id, $base, $this->store->undo($id, $base));
    }

    #[Route('/redo', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/redo', operationId: 'redo')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['baseRevision'],
                properties: [new OA\Property('baseRevision', type: 'integer')],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The step undone first is done again',
            content: new OA\JsonContent(ref: WriteOutcome::class),
        ),
    ]
    #[
        OA\Response(
            response: 409,
            description: 'Another window was there first',
            content: new OA\MediaType('application/problem+json', schema: new OA\Schema(ref: Conflict::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function redo(string $id, Request $request): Response
    {
        $base = JsonBody::of($request)->integer('baseRevision');

        return $this->stepAnswer($id, $base, $this->store->redo($id, $base));
    }

    private function stepAnswer(string $id, int $base, Written|Stale|NothingToDo $outcome): Response
    {
        return match (true) {
            $outcome instanceof Written => new JsonResponse($this->viewOf->writeOutcome($id, $outcome)),
            $outcome instanceof Stale => ProblemListener::response($this->writing->conflict($id, $base, $outcome)),
            $outcome instanceof NothingToDo => throw ProblemException::refused('nothing-to-do', $outcome->sentence),
        };
    }
}
