<?php

declare(strict_types=1);

namespace Stemmata\Http;

use OpenApi\Attributes as OA;
use Stemmata\Core\Document;
use Stemmata\Core\History\Comparison;
use Stemmata\Core\History\Difference;
use Stemmata\Core\History\DifferenceKind;
use Stemmata\Core\History\GoBack;
use Stemmata\Core\History\Sittings;
use Stemmata\Core\History\TakeWording;
use Stemmata\Core\History\WordMarks;
use Stemmata\Core\InvalidSectionId;
use Stemmata\Core\Section;
use Stemmata\Core\SectionId;
use Stemmata\Http\View\Conflict;
use Stemmata\Http\View\DifferenceView;
use Stemmata\Http\View\HistoryStep;
use Stemmata\Http\View\WordMark;
use Stemmata\Http\View\WriteOutcome;
use Stemmata\Storage\DocumentStore;
use Stemmata\Storage\Entity\JournalEntry;
use Stemmata\Storage\Journal;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The history of a document: its steps, what became of the text since one of them, and the way back. */
#[Route('/api/documents/{id}/history')]
final readonly class HistoryController
{
    private const STEPS_AT_ONCE = 300;

    public function __construct(private DocumentStore $store, private Journal $journal, private Writing $writing)
    {
    }

    #[Route('', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/history', operationId: 'readHistory')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\QueryParameter(name: 'before', description: 'Only steps before this one', schema: new OA\Schema(type: 'integer'))]
    #[OA\Response(response: 200, description: 'At most 300 steps by sitting, the last first', content: new OA\JsonContent(type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(ref: HistoryStep::class))))]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function steps(string $id, Request $request): JsonResponse
    {
        $this->store->get($id);
        $before = $request->query->getInt('before');
        $sittings = Sittings::of($this->journal->lines($id, $before > 0 ? $before : null, self::STEPS_AT_ONCE));

        return new JsonResponse(array_map(static fn (array $steps): array => array_map(static fn (array $step): HistoryStep => new HistoryStep(...$step), $steps), $sittings));
    }

    #[Route('/{step}', methods: ['GET'], requirements: ['step' => '\d+'])]
    #[OA\Get(path: '/api/documents/{id}/history/{step}', operationId: 'compareWithNow')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\PathParameter(name: 'step', schema: new OA\Schema(type: 'integer'))]
    #[OA\Response(response: 200, description: 'What became of each section since just before the step', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: DifferenceView::class)))]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function compare(string $id, int $step): JsonResponse
    {
        $now = $this->store->document($id);

        return new JsonResponse(array_map(static fn (Difference $difference): DifferenceView => new DifferenceView(
            $difference->section->value,
            $difference->heading,
            array_map(static fn (DifferenceKind $kind): string => $kind->value, $difference->kinds),
        ), Comparison::between($this->before($now, $this->step($id, $step)), $now)));
    }

    #[Route('/{step}/sections/{section}', methods: ['GET'], requirements: ['step' => '\d+'])]
    #[OA\Get(path: '/api/documents/{id}/history/{step}/sections/{section}', operationId: 'compareWords')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\PathParameter(name: 'step', schema: new OA\Schema(type: 'integer'))]
    #[OA\PathParameter(name: 'section', schema: new OA\Schema(type: 'string'))]
    #[OA\Response(response: 200, description: 'Heading and text of the section, with what went and came marked', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: WordMark::class)))]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function words(string $id, int $step, string $section): JsonResponse
    {
        $now = $this->store->document($id);
        $then = $this->before($now, $this->step($id, $step));
        $marks = WordMarks::between(self::wordsOf($then, SectionId::fromString($section)), self::wordsOf($now, SectionId::fromString($section)));

        return new JsonResponse(array_map(static fn (array $mark): WordMark => new WordMark(...$mark), $marks));
    }

    #[Route('/{step}/return', methods: ['POST'], requirements: ['step' => '\d+'])]
    #[OA\Post(path: '/api/documents/{id}/history/{step}/return', operationId: 'goBack')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[OA\PathParameter(name: 'step', schema: new OA\Schema(type: 'integer'))]
    #[OA\RequestBody(content: new OA\JsonContent(required: ['baseRevision'], properties: [
        new OA\Property('baseRevision', type: 'integer'),
        new OA\Property('section', description: 'Only the words of this section', type: 'string'),
    ]))]
    #[OA\Response(response: 200, description: 'The document, or the section, reads as it did just before the step', content: new OA\JsonContent(ref: WriteOutcome::class))]
    #[OA\Response(response: 409, description: 'Another window was there first', content: new OA\MediaType('application/problem+json', schema: new OA\Schema(ref: Conflict::class)))]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function goBack(string $id, int $step, Request $request): Response
    {
        $body = JsonBody::of($request);
        $entry = $this->step($id, $step);
        $section = $body->findText('section');
        $operation = null === $section
            ? new GoBack($this->journal->changesSince($entry), $entry->label)
            : new TakeWording(self::sectionOf($this->before($this->store->document($id), $entry), SectionId::fromString($section)));

        return $this->writing->answer($id, $body->integer('baseRevision'), $operation);
    }

    private function step(string $id, int $step): JournalEntry
    {
        return $this->journal->findDone($id, $step) ?? throw ProblemException::refused('unknown-step', 'That step is not part of how the document came to be; it was undone.');
    }

    private function before(Document $now, JournalEntry $step): Document
    {
        return (new GoBack($this->journal->changesSince($step), $step->label))->applyTo($now)->document;
    }

    private static function sectionOf(Document $document, SectionId $id): Section
    {
        try {
            return $document->section($id);
        } catch (InvalidSectionId) {
            throw ProblemException::refused('unknown-section', 'That section was not there then.');
        }
    }

    private static function wordsOf(Document $document, SectionId $id): string
    {
        try {
            $section = $document->section($id);
        } catch (InvalidSectionId) {
            return '';
        }

        return trim($section->heading->plainText()."\n".$section->body->plainText());
    }
}
