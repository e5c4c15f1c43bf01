<?php

declare(strict_types=1);

namespace Stemmata\Http\Style;

use OpenApi\Attributes as OA;
use Stemmata\Core\Counting\KindUses;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Format\Shared\ManuscriptCss;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Http\Style\View\HouseStyleView;
use Stemmata\Http\Style\View\KindPlaceView;
use Stemmata\Http\Style\View\KindUseView;
use Stemmata\Http\Style\View\ShapeView;
use Stemmata\Http\Style\View\StyleSheetView;
use Stemmata\Storage\Desk\KeptHouseStyles;
use Stemmata\Storage\Document\DocumentStore;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The style sheet of a document, and the house styles of the desk. What changes a document is an operation. */
final readonly class StyleController
{
    private const MOST_PLACES = 500;

    public function __construct(private DocumentStore $store, private KeptHouseStyles $kept) {}

    #[Route('/api/documents/{id}/style-sheet', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/style-sheet', operationId: 'readStyleSheet')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'How each kind of text looks',
            content: new OA\JsonContent(ref: StyleSheetView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function sheet(string $id): JsonResponse
    {
        return new JsonResponse(StyleSheetView::of($this->store->get($id)->setup()));
    }

    #[Route('/api/documents/{id}/style-sheet/uses', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/style-sheet/uses', operationId: 'readKindUses')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'The kinds of text that are there',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: KindUseView::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function uses(string $id): JsonResponse
    {
        $views = [];
        foreach (KindUses::in($this->store->document($id)) as $kind => $use) {
            $views[] = new KindUseView($kind, $use['count'], $use['section'], $use['words']);
        }

        return new JsonResponse($views);
    }

    #[Route('/api/documents/{id}/style-sheet/uses/{kind}', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/style-sheet/uses/{kind}', operationId: 'readKindPlaces')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\PathParameter(name: 'kind', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'The first 500 places of a kind of text, in their order',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: KindPlaceView::class)),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function places(string $id, string $kind): JsonResponse
    {
        return new JsonResponse(
            array_map(
                static fn(array $place): KindPlaceView => new KindPlaceView(...$place),
                KindUses::places($this->store->document($id), $kind, self::MOST_PLACES),
            ),
        );
    }

    #[Route('/api/documents/{id}/style-sheet/shape', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/style-sheet/shape', operationId: 'readShape')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\QueryParameter(name: 'said', required: true, schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'of',
            required: true,
            schema: new OA\Schema(type: 'string', enum: ['paragraphs', 'words']),
        ),
    ]
    #[OA\Response(response: 200, description: 'It is a look', content: new OA\JsonContent(ref: ShapeView::class))]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function shape(string $id, Request $request): JsonResponse
    {
        $isOfWords = 'words' === $request->query->getString('of');
        $shape = Shape::read($request->query->getString('said'), $isOfWords);
        $style = $this->store->get($id)->setup()->style();

        return new JsonResponse(new ShapeView($shape->written(), ManuscriptCss::byHand($shape, $isOfWords, $style)));
    }

    #[Route('/api/documents/{id}/style-sheet.json', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/style-sheet.json', operationId: 'exportStyleSheet')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'The style sheet as a file, which docs/style-sheet.md describes',
            content: new OA\JsonContent(type: 'object', additionalProperties: true),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function file(string $id): Response
    {
        $sheet = $this->store->get($id)->setup()->sheet();
        $json = json_encode(
            $sheet->toJson(),
            \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );

        return new Response($json . "\n", 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => HeaderUtils::makeDisposition(
                HeaderUtils::DISPOSITION_ATTACHMENT,
                strtr($sheet->name, '/\\%', '---') . '.json',
                'style-sheet.json',
            ),
        ]);
    }

    #[Route('/api/house-styles', methods: ['GET'])]
    #[OA\Get(path: '/api/house-styles', operationId: 'listHouseStyles')]
    #[
        OA\Response(
            response: 200,
            description: 'Those that ship, then the writer’s own',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: HouseStyleView::class)),
        ),
    ]
    public function houseStyles(): JsonResponse
    {
        $new = $this->kept->nameForNew();
        $views = array_map(
            static fn(HouseStyle $style): HouseStyleView => HouseStyleView::ofShipped($style, $style->name === $new),
            HouseStyles::all(),
        );
        foreach ($this->kept->all() as $id => $sheet) {
            $views[] = HouseStyleView::ofOwn($id, $sheet, $id === $new);
        }

        return new JsonResponse($views);
    }

    #[Route('/api/house-styles', methods: ['POST'])]
    #[OA\Post(path: '/api/house-styles', operationId: 'keepHouseStyle')]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['sheet'],
                properties: [new OA\Property('sheet', type: 'object', additionalProperties: true)],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 201,
            description: 'Kept for all documents of the writer',
            content: new OA\JsonContent(ref: HouseStyleView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 400)]
    public function keep(Request $request): JsonResponse
    {
        $sheet = StyleSheet::fromJson(JsonBody::of($request)->object('sheet'));

        return new JsonResponse(HouseStyleView::ofOwn($this->kept->keep($sheet), $sheet, false), 201);
    }

    #[Route('/api/house-styles/{style}', methods: ['PATCH'])]
    #[OA\Patch(path: '/api/house-styles/{style}', operationId: 'renameHouseStyle')]
    #[OA\PathParameter(name: 'style', schema: new OA\Schema(type: 'string'))]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(required: ['name'], properties: [new OA\Property('name', type: 'string')]),
        ),
    ]
    #[OA\Response(response: 204, description: 'Called so')]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function rename(string $style, Request $request): JsonResponse
    {
        $name = trim(JsonBody::of($request)->text('name'));
        if ('' === $name || mb_strlen($name) > StyleSheet::MAX_NAME) {
            throw ProblemException::malformed(
                sprintf('A house style needs a name of at most %d characters.', StyleSheet::MAX_NAME),
            );
        }
        if (!$this->kept->rename($style, $name)) {
            throw ProblemException::notFound('There is no such house style.');
        }

        return new JsonResponse(null, 204);
    }

    #[Route('/api/house-styles/{style}/for-new', methods: ['PUT'])]
    #[OA\Put(path: '/api/house-styles/{style}/for-new', operationId: 'useForNewDocuments')]
    #[OA\PathParameter(name: 'style', schema: new OA\Schema(type: 'string'))]
    #[OA\Response(response: 204, description: 'New documents have it; those that are there stay as they are')]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function forNew(string $style): JsonResponse
    {
        if (!$this->kept->chooseForNew($style)) {
            throw ProblemException::notFound('There is no such house style.');
        }

        return new JsonResponse(null, 204);
    }

    #[Route('/api/house-styles/{style}', methods: ['DELETE'])]
    #[OA\Delete(path: '/api/house-styles/{style}', operationId: 'removeHouseStyle')]
    #[OA\PathParameter(name: 'style', schema: new OA\Schema(type: 'string'))]
    #[OA\Response(response: 204, description: 'Gone; documents that have its look keep it')]
    public function remove(string $style): JsonResponse
    {
        $this->kept->remove($style);

        return new JsonResponse(null, 204);
    }
}
