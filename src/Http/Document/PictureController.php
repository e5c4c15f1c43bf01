<?php

declare(strict_types=1);

namespace Stemmata\Http\Document;

use OpenApi\Attributes as OA;
use Stemmata\Core\Text\Picture;
use Stemmata\Http\Document\View\KeptPicture;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Http\Request\UploadedBytes;
use Stemmata\Storage\Database\CurrentWriter;
use Stemmata\Storage\Database\WriteLock;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\File\StoredFiles;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Takes pictures in, and shows those that texts name by their hash. */
final readonly class PictureController
{
    public function __construct(private StoredFiles $files) {}

    #[Route('/api/documents/{id}/pictures', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/pictures', operationId: 'keepPicture')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
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
            description: 'Kept; a text may name it from now on',
            content: new OA\JsonContent(ref: KeptPicture::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function keep(string $id, Request $request, DocumentStore $store, WriteLock $lock): JsonResponse
    {
        $store->get($id);
        $file = UploadedBytes::of($request);
        if ($file->size() > Picture::MAX_BYTES) {
            throw ProblemException::refused(
                'picture-too-large',
                sprintf('A picture may have %d megabytes at most.', Picture::MAX_BYTES / 1024 / 1024),
            );
        }
        $picture = Picture::findIn($file->bytes());
        if (null === $picture) {
            throw ProblemException::refused(
                'not-a-picture',
                'This file is no picture that a browser shows: PNG, JPEG, GIF, WebP or SVG.',
            );
        }
        if ($picture->countDots() > Picture::MAX_DOTS) {
            throw ProblemException::refused(
                'picture-too-large',
                sprintf(
                    'A picture may have %d million dots at most, such as 10,000 by 6,000; make it smaller first.',
                    intdiv(Picture::MAX_DOTS, 1_000_000),
                ),
            );
        }
        $lock->holding(function () use ($id, $picture): void {
            $this->files->keep($id, [$picture]);
        });

        return new JsonResponse(new KeptPicture($picture->address()), 201);
    }

    #[Route('/api/pictures/{hash}', requirements: ['hash' => '[0-9a-f]{64}'], methods: ['GET'])]
    #[OA\Get(path: '/api/pictures/{hash}', operationId: 'readPicture')]
    #[OA\PathParameter(name: 'hash', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'The picture; it is the same for ever',
            content: new OA\MediaType('image/*', schema: new OA\Schema(type: 'string', format: 'binary')),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function show(string $hash, CurrentWriter $writer): Response
    {
        $picture =
            $this->files->findPictureOf($writer->id(), $hash) ??
            throw ProblemException::notFound('This picture is not kept here.');

        return new Response(
            $picture->bytes,
            headers: [
                'Content-Type' => $picture->mediaType(),
                'Cache-Control' => 'private, max-age=31536000, immutable',
                // A drawing opened by its address runs no script of its own.
                'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; sandbox",
            ],
        );
    }
}
