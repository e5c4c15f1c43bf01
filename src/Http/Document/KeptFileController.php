<?php

declare(strict_types=1);

namespace Stemmata\Http\Document;

use OpenApi\Attributes as OA;
use Stemmata\Core\Link\KeptFile;
use Stemmata\Http\Document\View\KeptPicture;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Http\Request\UploadedBytes;
use Stemmata\Storage\Database\CurrentWriter;
use Stemmata\Storage\Database\WriteLock;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\File\StoredFiles;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Takes files in that links of a document lead to, and gives them out again as downloads. */
final readonly class KeptFileController
{
    public function __construct(private StoredFiles $files) {}

    #[Route('/api/documents/{id}/files', methods: ['POST'])]
    #[OA\Post(path: '/api/documents/{id}/files', operationId: 'keepFile')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\QueryParameter(name: 'name', required: true, schema: new OA\Schema(type: 'string'))]
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
            description: 'Kept; a link may lead to it from now on',
            content: new OA\JsonContent(ref: KeptPicture::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function keep(string $id, Request $request, DocumentStore $store, WriteLock $lock): JsonResponse
    {
        $store->get($id);
        $name = $request->query->getString('name');
        if (!KeptFile::isNameAllowed($name)) {
            throw ProblemException::refused(
                'file-not-allowed',
                'Files of this kind are not kept: texts, tables, pictures, sound, film, PDF and ZIP are.',
            );
        }
        $uploaded = UploadedBytes::of($request);
        if ($uploaded->size() > KeptFile::MAX_BYTES) {
            throw ProblemException::refused(
                'file-too-large',
                sprintf('A file may have %d megabytes at most.', KeptFile::MAX_BYTES / 1024 / 1024),
            );
        }
        $bytes = $uploaded->bytes();
        $file = KeptFile::of($name, $bytes);
        $lock->holding(function () use ($id, $file, $bytes): void {
            $this->files->keepFile($id, $file, $bytes);
        });

        return new JsonResponse(new KeptPicture($file->address()), 201);
    }

    #[
        Route(
            '/api/files/{hash}/{name}',
            requirements: ['hash' => '[0-9a-f]{64}', 'name' => '.{1,300}'],
            methods: ['GET'],
        ),
    ]
    #[OA\Get(path: '/api/files/{hash}/{name}', operationId: 'readFile')]
    #[OA\PathParameter(name: 'hash', schema: new OA\Schema(type: 'string'))]
    #[OA\PathParameter(name: 'name', schema: new OA\Schema(type: 'string'))]
    #[
        OA\Response(
            response: 200,
            description: 'The file, as a download',
            content: new OA\MediaType(
                'application/octet-stream',
                schema: new OA\Schema(type: 'string', format: 'binary'),
            ),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function download(string $hash, string $name, CurrentWriter $writer): Response
    {
        $bytes =
            $this->files->findFileOf($writer->id(), $hash) ??
            throw ProblemException::notFound('This file is not kept here.');
        $plain = (string) preg_replace('/[^A-Za-z0-9. _-]/', '_', $name);

        return new Response(
            $bytes,
            headers: [
                // Whatever is in it, no browser opens it here.
                'Content-Type' => 'application/octet-stream',
                'Content-Disposition' => HeaderUtils::makeDisposition(
                    HeaderUtils::DISPOSITION_ATTACHMENT,
                    strtr($name, '/\\', '__'),
                    $plain,
                ),
                'X-Content-Type-Options' => 'nosniff',
                'Content-Security-Policy' => "default-src 'none'; sandbox",
            ],
        );
    }
}
