<?php

declare(strict_types=1);

namespace Stemmata\Http\Document;

use OpenApi\Attributes as OA;
use Stemmata\Core\Calculation\Calculation;
use Stemmata\Core\Calculation\Solved;
use Stemmata\Http\Document\View\CalculationAnswer;
use Stemmata\Http\Request\JsonBody;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Works out what a calculation in a text comes to. */
final class CalculationController
{
    #[Route('/api/calculations', methods: ['POST'])]
    #[OA\Post(path: '/api/calculations', operationId: 'calculate')]
    #[
        OA\RequestBody(
            content: new OA\JsonContent(
                required: ['expression'],
                properties: [
                    new OA\Property('expression', type: 'string'),
                    new OA\Property('language', description: 'Of the text; English when missing', type: 'string'),
                ],
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The exact result, or why there is none',
            content: new OA\JsonContent(ref: CalculationAnswer::class),
        ),
    ]
    public function calculate(Request $request): JsonResponse
    {
        $body = JsonBody::of($request);
        $answer = Calculation::of($body->text('expression'), language: $body->findText('language') ?? '');

        return new JsonResponse(
            $answer instanceof Solved
                ? new CalculationAnswer($answer->result, null)
                : new CalculationAnswer(null, $answer->sentence),
        );
    }
}
