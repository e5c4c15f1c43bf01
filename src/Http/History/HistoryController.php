<?php

declare(strict_types=1);

namespace Stemmata\Http\History;

use OpenApi\Attributes as OA;
use Stemmata\Core\Document\Document;
use Stemmata\Core\History\Comparison;
use Stemmata\Core\History\Sittings;
use Stemmata\Core\History\Thinning;
use Stemmata\Core\History\WordMarks;
use Stemmata\Core\Operation\History\BringBackSection;
use Stemmata\Core\Operation\History\GoBack;
use Stemmata\Core\Operation\History\TakeWording;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Http\History\View\DifferenceView;
use Stemmata\Http\History\View\HistoryPage;
use Stemmata\Http\History\View\HistoryStep;
use Stemmata\Http\History\View\MilestoneView;
use Stemmata\Http\History\View\Thinned;
use Stemmata\Http\History\View\WordMark;
use Stemmata\Http\Operation\View\Conflict;
use Stemmata\Http\Operation\View\WriteOutcome;
use Stemmata\Http\Operation\Writing;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Document\Step;
use Stemmata\Storage\History\Journal;
use Stemmata\Storage\History\Milestones;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The history of a document: its steps, what became of the text since one of them, and the way back. */
#[Route('/api/documents/{id}/history')]
final readonly class HistoryController
{
    private const STEPS_AT_ONCE = 300;

    public function __construct(private DocumentStore $store, private Journal $journal, private Writing $writing) {}

    #[Route('', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/history', operationId: 'readHistory')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'before',
            description: 'Only steps before this one',
            schema: new OA\Schema(type: 'integer'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'Steps by sitting, the last first',
            content: new OA\JsonContent(ref: HistoryPage::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function steps(string $id, Request $request): JsonResponse
    {
        $keptWeeks = $this->store->get($id)->stepsKeptWeeks;
        $before = $request->query->getInt('before');
        [$sittings, $hasEarlier] = Sittings::page(
            $this->journal->lines($id, $before > 0 ? $before : null, self::STEPS_AT_ONCE + 1),
            self::STEPS_AT_ONCE,
        );

        return new JsonResponse(
            new HistoryPage(
                array_map(
                    static fn(array $steps): array => array_map(
                        static fn(array $step): HistoryStep => new HistoryStep(...$step),
                        $steps,
                    ),
                    $sittings,
                ),
                $hasEarlier,
                $keptWeeks,
            ),
        );
    }

    #[Route('/rule', methods: ['PUT'])]
    #[OA\Put(path: '/api/documents/{id}/history/rule', operationId: 'keepSteps')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['weeks'],
                properties: [
                    new OA\Property(
                        'weeks',
                        description: '4 to 520; null keeps every step',
                        type: 'integer',
                        nullable: true,
                    ),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The rule is kept, and old steps are put together by it',
            content: new OA\JsonContent(ref: Thinned::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 400)]
    public function keepSteps(string $id, Request $request): JsonResponse
    {
        $weeks = JsonBody::of($request)->findInteger('weeks');
        if (null !== $weeks && ($weeks < Thinning::LEAST_WEEKS || $weeks > Thinning::MOST_WEEKS)) {
            throw ProblemException::malformed(
                sprintf('Steps can be put together after %d to %d weeks.', Thinning::LEAST_WEEKS, Thinning::MOST_WEEKS),
            );
        }

        return new JsonResponse(new Thinned($this->store->keepSteps($id, $weeks)));
    }

    #[Route('/comparison', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/history/comparison', operationId: 'compareStates')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'from',
            description: 'A state: the step that led to it, or 0 for the beginning',
            required: true,
            schema: new OA\Schema(type: 'integer'),
        ),
    ]
    #[
        OA\QueryParameter(
            name: 'to',
            description: 'Another; when missing, how the document reads now',
            schema: new OA\Schema(type: 'integer'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'What became of each section from the one state to the other',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: DifferenceView::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function compare(string $id, Request $request): JsonResponse
    {
        [$from, $to] = $this->states($id, $request);

        return new JsonResponse(array_map(DifferenceView::of(...), Comparison::between($from, $to)));
    }

    #[Route('/comparison/{section}', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/history/comparison/{section}', operationId: 'compareWords')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\PathParameter(name: 'section', schema: new OA\Schema(type: 'string'))]
    #[OA\QueryParameter(name: 'from', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\QueryParameter(name: 'to', schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'Heading and text of the section, with what went and came marked',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: WordMark::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function words(string $id, string $section, Request $request): JsonResponse
    {
        [$from, $to] = $this->states($id, $request);
        $marks = WordMarks::between(
            self::wordsOf($from, SectionId::fromString($section)),
            self::wordsOf($to, SectionId::fromString($section)),
        );

        return new JsonResponse(array_map(static fn(array $mark): WordMark => new WordMark(...$mark), $marks));
    }

    #[Route('/return', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/history/return', operationId: 'goBack')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['baseRevision', 'state'],
                properties: [
                    new OA\Property('baseRevision', type: 'integer'),
                    new OA\Property(
                        'state',
                        description: 'The step that led to it, or 0 for the beginning',
                        type: 'integer',
                    ),
                    new OA\Property(
                        'section',
                        description: 'Only this section: its words, or itself when it is gone',
                        type: 'string',
                    ),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The document, or the section, reads as it did in that state',
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
    public function goBack(string $id, Request $request): Response
    {
        $body = JsonBody::of($request);
        $state = $body->integer('state');
        $section = $body->findText('section');

        $operation = fn(Document $now): Operation => null === $section
            ? $this->wayTo($id, $state)
            : $this->bringing($id, $now, $state, SectionId::fromString($section));

        return $this->writing->answer(new Step($id, $body->integer('baseRevision'), $operation));
    }

    #[Route('/milestones', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/history/milestones', operationId: 'listMilestones')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'The named states, the last named first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: MilestoneView::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function milestones(string $id, Milestones $milestones): JsonResponse
    {
        $this->store->get($id);

        return new JsonResponse(array_map(MilestoneView::of(...), $milestones->of($id)));
    }

    #[Route('/milestones', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/history/milestones', operationId: 'nameMilestone')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(required: ['name'], properties: [new OA\Property('name', type: 'string')]),
        ),
    ]
    #[
        OA\Response(
            response: 201,
            description: 'The state that the document is in now has a name',
            content: new OA\JsonContent(ref: MilestoneView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function nameMilestone(string $id, Request $request, Milestones $milestones): JsonResponse
    {
        $this->store->get($id);
        $name = trim(mb_substr(JsonBody::of($request)->text('name'), 0, 200));
        if ('' === $name) {
            throw ProblemException::malformed('A milestone needs a name.');
        }

        return new JsonResponse(MilestoneView::of($milestones->name($id, $name)), 201);
    }

    #[Route('/milestones/{milestone}', methods: ['DELETE'])]
    #[OA\Delete(path: '/api/documents/{id}/history/milestones/{milestone}', operationId: 'forgetMilestone')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\PathParameter(name: 'milestone', schema: new OA\Schema(type: 'string'))]
    #[OA\Response(response: 204, description: 'The name is gone; the state stays in the history')]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function forgetMilestone(string $id, string $milestone, Milestones $milestones): JsonResponse
    {
        // One that is off the desk stays as it is.
        $this->store->get($id);
        $milestones->forget($id, $milestone);

        return new JsonResponse(null, 204);
    }

    /** @return array{Document, Document} */
    private function states(string $id, Request $request): array
    {
        $now = $this->store->document($id);
        $from = $this->wayTo($id, $request->query->getInt('from'))->applyTo($now)->document;

        return [
            $from,
            $request->query->has('to')
                ? $this->wayTo($id, $request->query->getInt('to'))->applyTo($now)->document
                : $now,
        ];
    }

    private function wayTo(string $id, int $state): GoBack
    {
        $name =
            $this->journal->findNameOfState($id, $state) ??
            throw ProblemException::refused('unknown-step', 'That step is not part of the history of this document.');

        return new GoBack($this->journal->changesBetween($id, $this->journal->stateNow($id), $state), $name);
    }

    private function bringing(string $id, Document $now, int $state, SectionId $section): Operation
    {
        $then = $this->wayTo($id, $state)->applyTo($now)->document;
        if (!$then->outline->has($section)) {
            throw ProblemException::refused('unknown-section', 'That section was not there then.');
        }

        return $now->outline->has($section)
            ? new TakeWording($then->section($section))
            : new BringBackSection($then, $section);
    }

    private static function wordsOf(Document $document, SectionId $id): string
    {
        if (!$document->outline->has($id)) {
            return '';
        }
        $section = $document->section($id);

        return trim($section->heading->plainText() . "\n" . $section->body->plainText());
    }
}
