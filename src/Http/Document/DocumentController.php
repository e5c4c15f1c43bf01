<?php

declare(strict_types=1);

namespace Stemmata\Http\Document;

use OpenApi\Attributes as OA;
use Stemmata\Core\Check\BrokenLink;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Core\Contents\StaleContents;
use Stemmata\Core\Counting\CaptionNumbers;
use Stemmata\Core\Counting\ReadingTime;
use Stemmata\Core\Counting\Targets;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\SectionNames;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Numbering\Numbers;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Outline\OutlineWalk;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Rendition\RenditionOptions;
use Stemmata\Disk\TemporaryFile;
use Stemmata\Format\Formats;
use Stemmata\Http\Document\View\ChangesSince;
use Stemmata\Http\Document\View\FindingView;
use Stemmata\Http\Document\View\NamedCaption;
use Stemmata\Http\Document\View\OffcutText;
use Stemmata\Http\Document\View\OffcutView;
use Stemmata\Http\Document\View\OutlineCounts;
use Stemmata\Http\Document\View\Place\Places;
use Stemmata\Http\Document\View\SectionText;
use Stemmata\Http\Document\View\Skeleton;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Storage\Desk\Desk;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Section\Facts;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\Routing\Attribute\Route;

/** Reads one document: skeleton, counts, texts, places, offcuts, findings, and the whole of it as a file. */
#[Route('/api/documents/{id}')]
final readonly class DocumentController
{
    private const MAX_TEXTS = 200;

    public function __construct(private DocumentStore $store, private Facts $facts, private ViewOf $viewOf) {}

    #[Route('', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}', operationId: 'readSkeleton')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'Title block, outline and what lists show',
            content: new OA\JsonContent(ref: Skeleton::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function skeleton(string $id): JsonResponse
    {
        return new JsonResponse($this->viewOf->skeleton($this->store->get($id)));
    }

    #[Route('/counts', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/counts', operationId: 'readCounts')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'Numbers and counts',
            content: new OA\JsonContent(ref: OutlineCounts::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function counts(string $id): JsonResponse
    {
        $record = $this->store->get($id);
        $outline = $record->outline();
        $scheme = $record->setup()->numbering;
        $words = $this->facts->wordsInOrder($id, $outline);
        $branchWords = (new OutlineWalk($outline))->rolledUp($words);
        $over = Targets::exceeded($outline, $branchWords, $this->facts->targets($id));
        $document = $this->store->document($id);
        $stale = array_map(static fn(SectionId $section): string => $section->value, StaleContents::in($document));

        $captions = CaptionNumbers::of($document);

        return new JsonResponse(
            new OutlineCounts(
                $record->revision,
                Numbers::of($outline, $scheme),
                new \ArrayObject(SectionNames::of($document)),
                $branchWords,
                array_sum($words),
                $stale,
                $over,
                ReadingTime::SILENT_WORDS_PER_MINUTE,
                new \ArrayObject($captions->firstNotes),
                new \ArrayObject($captions->labels),
                new \ArrayObject(
                    array_map(
                        static fn(array $named): NamedCaption => new NamedCaption(...$named),
                        $captions->byBookmark,
                    ),
                ),
                $document->setup->captions->value,
                new \ArrayObject($document->setup->markerWords),
            ),
        );
    }

    #[Route('/texts', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/texts', operationId: 'readTexts')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'sections',
            description: 'Ids, separated by commas',
            required: true,
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'Headings and bodies as the editor keeps them',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: SectionText::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function texts(string $id, Request $request): JsonResponse
    {
        $this->store->get($id);
        $ids = array_values(
            array_filter(
                explode(',', $request->query->getString('sections')),
                static fn(string $each): bool => '' !== $each,
            ),
        );

        return new JsonResponse($this->viewOf->texts($id, array_slice($ids, 0, self::MAX_TEXTS)));
    }

    #[Route('/changes', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/changes', operationId: 'readChanges')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'since',
            description: 'A revision',
            required: true,
            schema: new OA\Schema(type: 'integer'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'What others changed since',
            content: new OA\JsonContent(ref: ChangesSince::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function changes(string $id, Request $request): JsonResponse
    {
        return new JsonResponse($this->viewOf->changesSince($this->store->get($id), $request->query->getInt('since')));
    }

    #[Route('/places', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/places', operationId: 'readPlaces')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'Bookmarks and inner links',
            content: new OA\JsonContent(ref: Places::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function places(string $id): JsonResponse
    {
        return new JsonResponse(PlacesIn::document($this->store->document($id)));
    }

    #[Route('/offcuts', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/offcuts', operationId: 'readOffcuts')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'words',
            description: 'Only those whose name or text has these words',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The last cut first',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: OffcutView::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function offcuts(string $id, Request $request): JsonResponse
    {
        $this->store->get($id);

        return new JsonResponse(
            array_map(
                static fn(array $offcut): OffcutView => new OffcutView(...$offcut),
                $this->facts->offcuts($id, $request->query->getString('words')),
            ),
        );
    }

    #[Route('/offcuts/{offcut}', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/offcuts/{offcut}', operationId: 'readOffcut')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\PathParameter(name: 'offcut', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'The whole of what was cut',
            content: new OA\JsonContent(ref: OffcutText::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function offcut(string $id, string $offcut, Formats $formats): JsonResponse
    {
        $document = $this->store->document($id);
        $cut = $document->findOffcut(SectionId::fromString($offcut));
        if (null === $cut) {
            throw ProblemException::refused('unknown-offcut', Refused::unknownOffcut()->sentence);
        }
        $alone = $document->withTitleBlock(new TitleBlock(''))->withOutline($cut->outline);

        return new JsonResponse(new OffcutText(trim($formats->written('md', $alone))));
    }

    #[Route('/findings', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/findings', operationId: 'readFindings')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'What the structure check reports, in the order of the text',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: FindingView::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function findings(string $id): JsonResponse
    {
        $document = $this->store->document($id);

        return new JsonResponse(FindingView::all(StructureCheck::of($document), $document));
    }

    #[Route('/passed-over', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/passed-over', operationId: 'readPassedOver')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\QueryParameter(name: 'format', required: true, schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'What the document looks like of which a file of that format can say nothing, in sentences',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(type: 'string')),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function passedOver(string $id, Request $request, Formats $formats): JsonResponse
    {
        $writer = $formats->writerFor($request->query->getString('format'));

        return new JsonResponse($writer->passesOver($this->store->document($id)));
    }

    #[Route('/dead-links', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/dead-links', operationId: 'countDeadLinks')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'sections',
            description: 'Only these sections: ids, separated by commas',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\QueryParameter(
            name: 'extent',
            description: 'Whether what is under them belongs to it',
            schema: new OA\Schema(type: 'string', enum: Extent::class),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'How many links would be words only in a file, for what they lead to is gone; and the names of files kept with the document that links lead to, for none of them goes into what is written',
            content: new OA\JsonContent(
                required: ['count', 'keptFiles'],
                properties: [
                    new OA\Property('count', type: 'integer'),
                    new OA\Property('keptFiles', type: 'array', items: new OA\Items(type: 'string')),
                ],
                type: 'object',
            ),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function deadLinks(string $id, Request $request): JsonResponse
    {
        $document = RequestedScope::of($this->store->document($id), $request);

        $keptFiles = [];
        foreach ($document->sections() as $section) {
            $keptFiles += References::in($section)->keptFiles;
        }

        return new JsonResponse([
            'count' => count(iterator_to_array((new BrokenLink())->findings($document, []), false)),
            'keptFiles' => array_values($keptFiles),
        ]);
    }

    #[Route('/export', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/export', operationId: 'exportDocument')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'format',
            required: true,
            schema: new OA\Schema(type: 'string', enum: ['md', 'html', 'docx', 'pdf']),
        ),
    ]
    #[
        OA\QueryParameter(
            name: 'sections',
            description: 'Only these sections: ids, separated by commas',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\QueryParameter(
            name: 'extent',
            description: 'Whether what is under them belongs to it',
            schema: new OA\Schema(type: 'string', enum: Extent::class),
        ),
    ]
    #[
        OA\QueryParameter(
            name: 'numbers',
            description: 'A branch keeps the numbers it has in the document; “none” leaves them to whoever takes it over',
            schema: new OA\Schema(type: 'string', enum: ['kept', 'none']),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The whole document as a file',
            content: new OA\MediaType(
                'application/octet-stream',
                schema: new OA\Schema(type: 'string', format: 'binary'),
            ),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function export(string $id, Request $request, Formats $formats): Response
    {
        $document = RequestedScope::of($this->store->wholeDocument($id), $request);
        $ending = $request->query->getString('format');
        $writer = $formats->writerFor($ending);
        $name = TitleBlock::name($document->titleBlock->title, $document->headings());
        $title = trim((string) preg_replace('/[^\p{L}\p{N}’]+/u', ' ', $name));
        $name = ('' === $title ? 'Untitled' : mb_substr($title, 0, 80)) . '.' . $ending;
        $plainName = (string) preg_replace('/[^A-Za-z0-9. ]/', '_', $name);

        $rendition = Rendition::of($document, new RenditionOptions('none' !== $request->query->getString('numbers')));

        return new StreamedResponse(self::kept($writer->write($rendition)), 200, [
            'Content-Type' => $writer->mediaType(),
            'Content-Disposition' => HeaderUtils::makeDisposition(
                HeaderUtils::DISPOSITION_ATTACHMENT,
                $name,
                $plainName,
            ),
        ]);
    }

    #[Route('/resume-point', methods: ['PUT'])]
    #[OA\Put(path: '/api/documents/{id}/resume-point', operationId: 'keepResumePoint')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['section', 'position'],
                properties: [new OA\Property('section', type: 'string'), new OA\Property('position', type: 'integer')],
            ),
        ),
    ]
    #[OA\Response(response: 204, description: 'Kept')]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function keepResumePoint(string $id, Request $request, Desk $desk): JsonResponse
    {
        $body = JsonBody::of($request);
        $desk->keepResumePoint(
            $this->store->get($id)->id,
            SectionId::fromString($body->text('section'))->value,
            max(0, $body->integer('position')),
        );

        return new JsonResponse(null, 204);
    }

    /**
     * Written whole before the first byte is sent: what cannot be written is told in words, and all of it is of one
     * moment.
     *
     * @param iterable<string> $portions
     *
     * @return \Closure(): void which sends them
     */
    private static function kept(iterable $portions): \Closure
    {
        $file = TemporaryFile::inMemory();
        foreach ($portions as $portion) {
            TemporaryFile::write($file, $portion);
        }
        rewind($file);

        return static function () use ($file): void {
            fpassthru($file);
        };
    }
}
