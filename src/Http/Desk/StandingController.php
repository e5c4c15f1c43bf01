<?php

declare(strict_types=1);

namespace Stemmata\Http\Desk;

use OpenApi\Attributes as OA;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Http\Desk\View\Created;
use Stemmata\Http\Desk\View\StandingText;
use Stemmata\Http\Document\RequestedScope;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Storage\Desk\Copying;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Entity\DocumentRecord;
use Stemmata\Storage\Section\Facts;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Text that is kept to be put into documents, and documents that are copied whole. */
final readonly class StandingController
{
    public function __construct(
        private Desk $desk,
        private DocumentStore $store,
        private Facts $facts,
        private Copying $copying,
    ) {}

    #[Route('/api/standing', methods: ['GET'])]
    #[OA\Get(path: '/api/standing', operationId: 'listStandingTexts')]
    #[
        OA\Response(
            response: 200,
            description: 'The last changed first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: StandingText::class)),
        ),
    ]
    public function list(): JsonResponse
    {
        return new JsonResponse(
            array_map(function (DocumentRecord $record): StandingText {
                $outline = $record->outline();

                return new StandingText(
                    $record->id,
                    $record->title,
                    array_sum($this->facts->wordsInOrder($record->id, $outline)),
                    1 === $outline->count() && $outline->hasOpening(),
                    array_map(static fn(SectionId $section): string => $section->value, $outline->ids()),
                    $record->revision,
                    $record->changedAt,
                );
            }, $this->desk->standing()),
        );
    }

    #[Route('/api/standing', methods: ['POST'])]
    #[OA\Post(path: '/api/standing', operationId: 'keepStanding')]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['document', 'sections'],
                properties: [
                    new OA\Property('document', type: 'string'),
                    new OA\Property('sections', type: 'string', description: 'Ids, separated by commas'),
                    new OA\Property(
                        'from',
                        type: 'integer',
                        description: 'Only words of one section: where they begin, as the editor counts',
                    ),
                    new OA\Property('to', type: 'integer'),
                ],
                type: 'object',
            ),
        ),
    ]
    #[OA\Response(response: 201, description: 'What is kept', content: new OA\JsonContent(ref: Created::class))]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function keep(Request $request): JsonResponse
    {
        $body = JsonBody::of($request);
        $id = $this->store->get($body->text('document'))->id;
        $sections = $body->text('sections');
        $from = $body->findInteger('from');
        $to = $body->findInteger('to');
        if (null !== $from && null !== $to) {
            $kept = $this->copying->keepPassage($id, SectionId::fromString($sections), $from, $to);
            if ($kept instanceof Refused) {
                throw ProblemException::refused($kept->reason->value, $kept->sentence);
            }

            return new JsonResponse(new Created($kept), 201);
        }
        $scope = RequestedScope::read($this->store->document($id)->outline, $sections, '');

        return new JsonResponse(
            null === $scope
                ? throw ProblemException::malformed('Say which sections are to be kept.')
                : new Created($this->copying->keepBranches($id, $scope)),
            201,
        );
    }

    #[Route('/api/documents/{id}/copy', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/copy', operationId: 'copyDocument')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\Response(response: 201, description: 'The copy', content: new OA\JsonContent(ref: Created::class))]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function copy(string $id): JsonResponse
    {
        return new JsonResponse(new Created($this->copying->copy($this->store->get($id)->id)), 201);
    }
}
