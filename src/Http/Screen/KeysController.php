<?php

declare(strict_types=1);

namespace Stemmata\Http\Screen;

use OpenApi\Attributes as OA;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Storage\Desk\OwnKeys;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/**
 * Keeps the keys that a writer chose. Which commands there are, and which keys a browser can give, is the screen's to
 * say.
 */
#[Route('/api/keys')]
final readonly class KeysController
{
    private const MOST_COMMANDS = 300;
    private const MOST_KEYS = 4;
    private const LONGEST = 40;

    public function __construct(private OwnKeys $keys) {}

    #[Route('', methods: ['GET'])]
    #[OA\Get(path: '/api/keys', operationId: 'readKeys')]
    #[
        OA\Response(
            response: 200,
            description: 'The writer’s own keys',
            content: new OA\JsonContent(ref: KeysView::class),
        ),
    ]
    public function read(): JsonResponse
    {
        return new JsonResponse(new KeysView($this->keys->of()));
    }

    #[Route('', methods: ['PUT'])]
    #[OA\Put(path: '/api/keys', operationId: 'keepKeys')]
    #[OA\RequestBody(content: new OA\JsonContent(ref: KeysView::class))]
    #[OA\Response(response: 200, description: 'Kept', content: new OA\JsonContent(ref: KeysView::class))]
    #[OA\Response(ref: '#/components/responses/Problem', response: 400)]
    public function keep(Request $request): JsonResponse
    {
        $keys = [];
        foreach (JsonBody::of($request)->object('keys') as $command => $chords) {
            if (
                1 !== preg_match('/^[a-z][a-z0-9-]{0,39}$/D', (string) $command) ||
                !is_array($chords) ||
                !array_is_list($chords) ||
                count($chords) > self::MOST_KEYS
            ) {
                throw ProblemException::malformed(
                    sprintf('“keys” must hold lists of at most %d keys, by command.', self::MOST_KEYS),
                );
            }
            $keys[(string) $command] = array_map(self::chord(...), $chords);
        }
        if (count($keys) > self::MOST_COMMANDS) {
            throw ProblemException::malformed(sprintf('There are no more than %d commands.', self::MOST_COMMANDS));
        }
        $this->keys->keep($keys);

        return new JsonResponse(new KeysView($keys));
    }

    private static function chord(mixed $chord): string
    {
        return is_string($chord) &&
            '' !== $chord &&
            strlen($chord) <= self::LONGEST &&
            mb_check_encoding($chord, 'UTF-8')
            ? $chord
            : throw ProblemException::malformed(sprintf('A key is a text of at most %d bytes.', self::LONGEST));
    }
}
