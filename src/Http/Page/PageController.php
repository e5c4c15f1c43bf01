<?php

declare(strict_types=1);

namespace Stemmata\Http\Page;

use OpenApi\Attributes as OA;
use Stemmata\Core\Check\Finding;
use Stemmata\Core\Check\StructureCheck;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Http\Document\RequestedScope;
use Stemmata\Http\Document\View\FindingView;
use Stemmata\Http\Page\View\PageSetupView;
use Stemmata\Http\Page\View\PagesView;
use Stemmata\Http\Page\View\PagesWaitView;
use Stemmata\Http\Request\OneSnapshot;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Http\Style\HouseStyleChoice;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Section\Facts;
use Stemmata\Typesetting\Engine\StillSetting;
use Stemmata\Typesetting\PdfStandard;
use Stemmata\Typesetting\Typesetter;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The pages of a document: where everything stands, the pages themselves, how they are set up. */
#[Route('/api/documents/{id}')]
final readonly class PageController
{
    /** The header of a file that says why it does not keep to the standard that was asked for, percent-encoded. */
    private const NOT_STRICTER = 'Stemmata-Not-As-Asked';
    /** The header that names the first section in the way of it, by its id. */
    private const PLACE = 'Stemmata-Place';
    private const MOST_PLACES = 3;

    public function __construct(
        private DocumentStore $store,
        private Facts $facts,
        private Typesetter $typesetter,
        private PageCounts $counts,
        private OneSnapshot $snapshot,
        private HouseStyleChoice $houseStyles,
    ) {}

    #[Route('/pages', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/pages', operationId: 'readPages')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'blocks',
            description: 'With the blocks of all texts',
            schema: new OA\Schema(type: 'string', enum: ['yes']),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'On which pages everything stands',
            content: new OA\JsonContent(ref: PagesView::class),
        ),
    ]
    #[
        OA\Response(
            response: 202,
            description: 'They are still being made: ask again',
            content: new OA\JsonContent(ref: PagesWaitView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function pages(string $id, Request $request): JsonResponse
    {
        $revision = $this->store->get($id)->revision;
        [$document, $revisions] = $this->read($id);
        try {
            $typeset = $this->typesetter->typeset(
                $document,
                $id,
                $revisions,
                staysWarm: true,
                whenRead: $this->snapshot->close(...),
            );
        } catch (StillSetting $waiting) {
            return new JsonResponse(new PagesWaitView($waiting->place), 202);
        }
        $this->counts->remember($id, $typeset->map->pages(), $revision);

        return new JsonResponse(
            PagesView::of(
                $revision,
                $typeset->map,
                FindingView::all($typeset->findings, $document),
                $document->titleBlock->language,
                'yes' === $request->query->getString('blocks'),
            ),
            // How much of the time is the engine’s own (W3C, Server Timing).
            headers: ['Server-Timing' => sprintf('engine;dur=%.1F', $typeset->milliseconds)],
        );
    }

    #[Route('/pages.pdf', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/pages.pdf', operationId: 'readPdf')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'sections',
            description: 'Only these sections: ids, separated by commas',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[OA\QueryParameter(name: 'extent', schema: new OA\Schema(type: 'string', enum: Extent::class))]
    #[
        OA\QueryParameter(
            name: 'pageNumbers',
            description: 'A part keeps the page numbers that it has in the whole; without this it begins at 1',
            schema: new OA\Schema(type: 'string', enum: ['kept']),
        ),
    ]
    #[
        OA\QueryParameter(
            name: 'standard',
            description: 'What the file is to keep to, where the structure of the document allows it',
            schema: new OA\Schema(type: 'string', enum: PdfStandard::class),
        ),
    ]
    #[
        OA\QueryParameter(
            name: 'look',
            description: 'As it would look with this house style: the name of one that ships, or the id of one of the writer’s own; for a part',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\QueryParameter(
            name: 'revision',
            description: 'Of the document, as the map of its pages says: with this, no other state is answered with',
            schema: new OA\Schema(type: 'integer'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The pages as PDF, to be looked at',
            content: new OA\MediaType('application/pdf', schema: new OA\Schema(type: 'string', format: 'binary')),
        ),
    ]
    #[
        OA\Response(
            response: 202,
            description: 'They are still being made: ask again',
            content: new OA\JsonContent(ref: PagesWaitView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 409)]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function pdf(string $id, Request $request): Response
    {
        try {
            return $this->file($id, $request);
        } catch (StillSetting $waiting) {
            return new JsonResponse(new PagesWaitView($waiting->place), 202);
        }
    }

    private function file(string $id, Request $request): Response
    {
        $revision = $this->store->get($id)->revision;
        if ($request->query->has('revision') && $request->query->getInt('revision') !== $revision) {
            throw ProblemException::passed();
        }
        [$whole, $revisions] = $this->read($id);
        $look = $request->query->getString('look');
        $whole = $this->inLook($whole, $look);
        $document = RequestedScope::of($whole, $request);
        // What is only tried takes the place of nothing that the engine keeps warm.
        $isPart = $document !== $whole || '' !== $look;
        if ($isPart && 'kept' === $request->query->getString('pageNumbers')) {
            $document = RequestedScope::of(
                $this->numberedFrom($id, $whole, $revisions, $document->outline->idAt(0)->value),
                $request,
            );
        }
        $asked = PdfStandard::tryFrom($request->query->getString('standard')) ?? PdfStandard::Tagged;
        $typeset = $this->typesetter->typeset(
            $document,
            // The same when it is asked for again.
            $isPart ? $id . '-' . substr(sha1((string) $request->getQueryString()), 0, 8) : $id,
            $revisions,
            $asked,
            !$isPart,
            $this->snapshot->close(...),
        );

        return new Response($typeset->pdf, 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_INLINE, 'pages.pdf'),
            'Cache-Control' => 'private, no-store',
            ...null === $typeset->refused ? [] : self::notAsAsked($document, $asked, $typeset->refused),
        ]);
    }

    /** The document as it would look with another house style; as it is without one. */
    private function inLook(Document $document, string $look): Document
    {
        if ('' === $look) {
            return $document;
        }
        $operation =
            $this->houseStyles->findUse($look) ?? throw ProblemException::notFound('There is no such house style.');
        $applied = $operation->applyTo($document);

        return $applied instanceof Applied ? $applied->document : $document;
    }

    /**
     * A document and the revisions of its texts. These come first: of a text that is written in between, the engine then
     * keeps the newer words under the older name, which nobody asks for again; the other way round it would keep old words
     * under the new one, and go on showing them.
     *
     * @return array{Document, array<string, int>}
     */
    private function read(string $id): array
    {
        $revisions = $this->facts->revisions($id);

        return [$this->store->document($id), $revisions];
    }

    /**
     * The document with the page number set at a section that it bears there in the whole.
     *
     * @param array<string, int> $revisions
     */
    private function numberedFrom(string $id, Document $whole, array $revisions, string $section): Document
    {
        $pages = $this->typesetter->typeset(
            $whole,
            $id,
            $revisions,
            staysWarm: true,
            whenRead: static fn(): null => null,
        );
        $label = $pages->map->sections[$section]->label ?? '';

        return ctype_digit($label)
            ? $whole->withSetup($whole->setup->withPages($whole->setup->pages()->withRestart($section, (int) $label)))
            : $whole;
    }

    /**
     * Why a file keeps to no stricter standard: the places that stand in the way, and which is the first; or else what the
     * engine says.
     *
     * @return array<string, string> headers
     */
    private static function notAsAsked(Document $document, PdfStandard $asked, string $refused): array
    {
        $findings = PdfStandard::Accessible === $asked ? StructureCheck::inTheWayOfEveryone($document) : [];
        if ([] === $findings) {
            return [self::NOT_STRICTER => rawurlencode(rtrim($refused, '.') . '.')];
        }
        $places = array_map(
            static fn(Finding $finding): string => sprintf(
                '%s: %s',
                $document->nameAt($finding->position),
                $finding->message,
            ),
            array_slice($findings, 0, self::MOST_PLACES),
        );
        $more = count($findings) - count($places);

        return [
            self::NOT_STRICTER => rawurlencode(
                implode(' ', $places) .
                    match ($more) {
                        0 => '',
                        1 => ' One more place is among the findings.',
                        default => sprintf(' %d more places are among the findings.', $more),
                    },
            ),
            self::PLACE => $document->outline->idAt($findings[0]->position)->value,
        ];
    }

    #[Route('/page-setup', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/page-setup', operationId: 'readPageSetup')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'How the document looks and stands on pages',
            content: new OA\JsonContent(ref: PageSetupView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function setup(string $id): JsonResponse
    {
        $setup = $this->store->get($id)->setup();

        return new JsonResponse(
            PageSetupView::of($setup->style()->name, HouseStyles::all(), $setup->pages(), null !== $setup->ownPages),
        );
    }
}
