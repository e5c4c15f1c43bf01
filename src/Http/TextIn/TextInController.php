<?php

declare(strict_types=1);

namespace Stemmata\Http\TextIn;

use OpenApi\Attributes as OA;
use Stemmata\Core\Document\Document;
use Stemmata\Core\LikelyHeading\LikelyHeadings;
use Stemmata\Core\LikelyHeading\LookGroup;
use Stemmata\Core\Operation\Between\InsertDocument;
use Stemmata\Core\Operation\Between\PasteDocument;
use Stemmata\Core\Operation\Notice;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Landing;
use Stemmata\Core\Operation\Wire\Fields;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Core\Outline\IdSource;
use Stemmata\Core\Outline\OutlineEdit;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Format\Formats;
use Stemmata\Http\Document\ViewOf;
use Stemmata\Http\Operation\PreviewOf;
use Stemmata\Http\Operation\View\Conflict;
use Stemmata\Http\Operation\View\Preview;
use Stemmata\Http\Operation\View\WriteOutcome;
use Stemmata\Http\Operation\Writing;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Http\Request\ProblemListener;
use Stemmata\Http\Request\ProgressLines;
use Stemmata\Http\Request\UploadedBytes;
use Stemmata\Http\TextIn\View\LookGroupView;
use Stemmata\Http\TextIn\View\PutIn;
use Stemmata\Http\TextIn\View\ReportLineView;
use Stemmata\Http\TextIn\View\Transferred;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Document\StagedDocument;
use Stemmata\Storage\Document\Stale;
use Stemmata\Storage\Document\Step;
use Stemmata\Storage\Document\Transfer;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Brings text from elsewhere into an open document, and finds what in it looks like a heading. */
#[Route('/api/documents/{id}')]
final readonly class TextInController
{
    /** Bytes that are read at once; a longer piece is read as a file is. */
    private const SHORT_PASTE = 262_144;

    public function __construct(
        private DocumentStore $store,
        private ReadingWorker $worker,
        private Formats $formats,
        private Writing $writing,
        private IdSource $ids,
    ) {}

    #[Route('/likely-headings', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/likely-headings', operationId: 'findLikelyHeadings')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'section',
            description: 'To look into one section only',
            required: false,
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'Groups of paragraphs that look like headings, the highest level first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: LookGroupView::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function likelyHeadings(string $id, Request $request): JsonResponse
    {
        $section = $request->query->getString('section');
        // For one section, no other is read.
        $document = '' === $section ? $this->store->wholeDocument($id) : $this->store->document($id);
        $position = '' === $section ? null : $document->outline->findPosition(SectionId::fromString($section));
        $groups =
            '' !== $section && null === $position
                ? []
                : LikelyHeadings::in($document, null === $position ? null : [$position]);

        return new JsonResponse(
            array_map(static fn(LookGroup $group): LookGroupView => LookGroupView::of($group), $groups),
        );
    }

    #[Route('/previews', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/previews', operationId: 'previewOperation')]
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
            description: 'The outline as it would become; nothing is stored',
            content: new OA\JsonContent(ref: Preview::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function preview(string $id, Request $request, OperationReader $reader): JsonResponse
    {
        return new JsonResponse(
            PreviewOf::operation(
                $this->store->document($id),
                $reader->read(JsonBody::of($request)->object('operation')),
            ),
        );
    }

    #[Route('/paste', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/paste', operationId: 'paste')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['baseRevision', 'section', 'from', 'to', 'text', 'kind'],
                properties: [
                    new OA\Property('baseRevision', type: 'integer'),
                    new OA\Property('section', type: 'string'),
                    new OA\Property('from', type: 'integer'),
                    new OA\Property('to', type: 'integer'),
                    new OA\Property('text', type: 'string'),
                    new OA\Property(
                        'kind',
                        description: 'What the text is written in',
                        type: 'string',
                        enum: ['html', 'md'],
                    ),
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
    public function paste(string $id, Request $request): Response
    {
        $body = JsonBody::of($request);
        $pasted = $this->pasted($body->longText('text'), 'md' === $body->text('kind') ? 'pasted.md' : 'pasted.html');

        return $this->writing->answer(
            Step::of(
                $id,
                $body->integer('baseRevision'),
                new PasteDocument(
                    SectionId::fromString($body->text('section')),
                    $body->integer('from'),
                    $body->integer('to'),
                    $pasted,
                ),
            ),
        );
    }

    #[Route('/transfer', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/transfer', operationId: 'transferBranches')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['baseRevision', 'sections', 'other', 'landing', 'moves'],
                properties: [
                    new OA\Property('baseRevision', type: 'integer'),
                    new OA\Property('sections', type: 'array', items: new OA\Items(type: 'string')),
                    new OA\Property('other', description: 'The document they go to', type: 'string'),
                    new OA\Property('landing', type: 'string', enum: ['before', 'after', 'inside']),
                    new OA\Property(
                        'target',
                        description: 'A section of the other document; when missing, its end',
                        type: 'string',
                    ),
                    new OA\Property(
                        'moves',
                        description: 'Whether they leave this document, for its offcuts',
                        type: 'boolean',
                    ),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'Both documents are written',
            content: new OA\JsonContent(ref: Transferred::class),
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
    public function transfer(string $id, Request $request, Transfer $transfer, ViewOf $viewOf): Response
    {
        $body = JsonBody::of($request);
        $fields = new Fields($body->all());
        $base = $body->integer('baseRevision');
        $outcome = $transfer->run(
            $id,
            $base,
            $fields->sections(),
            $body->text('other'),
            $fields->oneOf('landing', Landing::class),
            $fields->findSection('target'),
            $fields->findBoolean('moves') ?? false,
        );
        if ($outcome instanceof Stale) {
            return ProblemListener::response($this->writing->conflict($id, $base, $outcome));
        }
        if ($outcome instanceof Refused) {
            throw ProblemException::refused($outcome->reason->value, $outcome->sentence);
        }
        ['here' => $here, 'there' => $there] = $outcome;
        $made = array_values(
            array_filter(
                array_map(
                    static fn(OutlineEdit $edit): ?string => 0 === $edit->inserted->count()
                        ? null
                        : $edit->inserted->idAt(0)->value,
                    $there->change->outlineEdits,
                ),
            ),
        );

        return new JsonResponse(
            new Transferred(
                null === $here ? null : $viewOf->writeOutcome($id, $here),
                $made[0] ?? '',
                implode(' ', array_map(static fn(Notice $notice): string => $notice->sentence, $there->notices)),
            ),
        );
    }

    #[Route('/import', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/import', operationId: 'importInto')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'name',
            description: 'The file’s name; its ending tells the format',
            required: true,
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[OA\QueryParameter(name: 'baseRevision', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\QueryParameter(
            name: 'landing',
            required: true,
            schema: new OA\Schema(type: 'string', enum: ['before', 'after', 'inside']),
        ),
    ]
    #[
        OA\QueryParameter(
            name: 'target',
            description: 'The section that it lands at',
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
            response: 200,
            description: 'Read, fitted to the place and stored. Who accepts application/x-ndjson is told of the progress first, as with importDocument',
            content: new OA\JsonContent(ref: PutIn::class),
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
    public function importInto(string $id, Request $request): Response
    {
        $file = UploadedBytes::of($request);
        if (ProgressLines::areWanted($request)) {
            return ProgressLines::of(
                fn(\Closure $progress): PutIn|Conflict => $this->putIn($id, $request, $file, static function () use (
                    $progress,
                ): void {
                    $progress('reading', 0, 0);
                }),
            );
        }
        $outcome = $this->putIn($id, $request, $file, static fn(): null => null);

        return $outcome instanceof PutIn ? new JsonResponse($outcome) : ProblemListener::response($outcome);
    }

    /** @param \Closure(): mixed $beat */
    private function putIn(string $id, Request $request, UploadedBytes $file, \Closure $beat): PutIn|Conflict
    {
        [$document, $report] = $this->worker->read(
            $request->query->getString('name'),
            $file,
            $beat,
            static fn(StagedDocument $staged): array => [$staged->document(), $staged->about['report'] ?? []],
        );
        $landing = Landing::tryFrom($request->query->getString('landing')) ?? Landing::After;
        $operation = new InsertDocument(
            $document,
            $landing,
            SectionId::fromString($request->query->getString('target')),
            $this->ids,
        );
        // Who has left by now wants nothing of it.
        $beat();
        $outcome = $this->writing->outcome(Step::of($id, $request->query->getInt('baseRevision'), $operation));

        return $outcome instanceof WriteOutcome ? new PutIn($outcome, ReportLineView::read($report)) : $outcome;
    }

    private function pasted(string $text, string $name): Document
    {
        return strlen($text) <= self::SHORT_PASTE
            ? $this->formats->readAsIs($name, $text)->document
            : $this->worker->read(
                $name,
                UploadedBytes::ofText($text),
                static fn(): null => null,
                static fn(StagedDocument $staged): Document => $staged->document(),
            );
    }
}
