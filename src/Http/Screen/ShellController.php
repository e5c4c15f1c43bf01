<?php

declare(strict_types=1);

namespace Stemmata\Http\Screen;

use OpenApi\Attributes as OA;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The page that the screens are drawn in, and an empty answer to measure others by. */
#[OA\Info(version: '1', title: 'Stemmata', description: 'Draft and reorganise a long document as a heading outline.')]
final readonly class ShellController
{
    public function __construct(#[Autowire('%kernel.project_dir%/public/build/index.html')] private string $shell) {}

    #[Route('/', methods: ['GET'])]
    #[Route('/keys', methods: ['GET'])]
    public function page(): Response
    {
        $html = is_file($this->shell)
            ? (string) file_get_contents($this->shell)
            : 'The screens are not built yet; run bin/start.';

        return new Response($html, 200, ['Content-Type' => 'text/html; charset=UTF-8']);
    }

    /** The document is on its way while the program is still being read. */
    #[
        Route(
            '/documents/{id}/{face}',
            methods: ['GET'],
            requirements: ['id' => '[a-z0-9]+', 'face' => 'arrange|looks|proof'],
            defaults: ['face' => null],
        ),
    ]
    public function document(string $id): Response
    {
        $page = $this->page();
        $page->headers->set('Link', sprintf('</api/documents/%s>; rel=preload; as=fetch; crossorigin=anonymous', $id));

        return $page;
    }

    #[Route('/api/ping', methods: ['GET', 'POST'])]
    public function ping(): JsonResponse
    {
        return new JsonResponse(new \stdClass());
    }
}
