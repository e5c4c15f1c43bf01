<?php

declare(strict_types=1);

namespace Stemmata\Http\Speech;

use OpenApi\Attributes as OA;
use Stemmata\Core\Counting\ReadingTime;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Speech\SpeechText;
use Stemmata\Core\Speech\Utterance;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Http\Speech\View\SpeechView;
use Stemmata\Http\Speech\View\UtteranceView;
use Stemmata\Storage\Document\DocumentStore;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** What is said where a section is read aloud. */
final readonly class SpeechController
{
    public function __construct(private DocumentStore $store) {}

    #[Route('/api/documents/{id}/speech', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/speech', operationId: 'readSpeech')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\QueryParameter(name: 'section', required: true, schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'notes',
            description: 'Whether notes are said after their sentence, or left out',
            schema: new OA\Schema(type: 'string', enum: ['said', 'left-out']),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'Line by line, in reading order',
            content: new OA\JsonContent(ref: SpeechView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function ofSection(string $id, Request $request): JsonResponse
    {
        $document = $this->store->document($id);
        $section = $request->query->getString('section');
        $position = $document->outline->findPosition(SectionId::fromString($section));
        if (null === $position) {
            throw ProblemException::refused('unknown-section', Refused::unknownSection($section)->sentence);
        }
        $rendition = Rendition::of($document);
        $said = SpeechText::of(
            $rendition,
            $rendition->sectionAt($position),
            'left-out' !== $request->query->getString('notes'),
        );

        return new JsonResponse(
            new SpeechView(
                array_map(
                    static fn(Utterance $each): UtteranceView => new UtteranceView(
                        $each->words,
                        $each->isInHeading,
                        $each->stretches,
                    ),
                    $said,
                ),
                ReadingTime::ALOUD_WORDS_PER_MINUTE,
            ),
        );
    }
}
