<?php

declare(strict_types=1);

namespace Stemmata\Http\Counting;

use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Stemmata\Core\Counting\TextCounter;
use Stemmata\Core\Counting\TextCounts;
use Stemmata\Core\Counting\WritingDays;
use Stemmata\Core\Language\Language;
use Stemmata\Core\Operation\Rule\Extent;
use Stemmata\Http\Counting\View\TextCountsView;
use Stemmata\Http\Counting\View\WritingDay;
use Stemmata\Http\Counting\View\WritingView;
use Stemmata\Http\Document\RequestedScope;
use Stemmata\Http\Request\JsonBody;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Section\WritingLog;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** What there is to count in a text, and how it grows. */
final readonly class CountingController
{
    private const MOST_DAYS = 60;
    /** Sections that are read together. */
    private const AT_ONCE = 200;

    public function __construct(private DocumentStore $store, private WritingLog $log, private ClockInterface $clock) {}

    #[Route('/api/documents/{id}/text-counts', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/text-counts', operationId: 'countText')]
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
        OA\Response(
            response: 200,
            description: 'Words, sentences, paragraphs, characters',
            content: new OA\JsonContent(ref: TextCountsView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 422)]
    public function ofDocument(string $id, Request $request): JsonResponse
    {
        $document = RequestedScope::of($this->store->document($id), $request);
        $counter = new TextCounter($document->titleBlock->language);
        $counts = new TextCounts();
        foreach (array_chunk($document->outline->ids(), self::AT_ONCE) as $some) {
            foreach ($this->store->sectionsInTurn($id, $some) as $section) {
                $counts = $counts->plus($counter->ofSection($section));
            }
        }

        return new JsonResponse(TextCountsView::of($counts));
    }

    #[Route('/api/text-counts', methods: ['POST'])]
    #[OA\Post(path: '/api/text-counts', operationId: 'countWords')]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['text', 'language'],
                properties: [
                    new OA\Property('text', type: 'string', description: 'One paragraph a line'),
                    new OA\Property('language', type: 'string', description: 'A tag after BCP 47'),
                ],
                type: 'object',
            ),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'The same of words that are selected',
            content: new OA\JsonContent(ref: TextCountsView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 400)]
    public function ofText(Request $request): JsonResponse
    {
        $body = JsonBody::of($request);
        $language = $body->text('language');

        return new JsonResponse(
            TextCountsView::of(
                (new TextCounter(Language::isTag($language) ? $language : 'en'))->ofText($body->longText('text')),
            ),
        );
    }

    #[Route('/api/documents/{id}/writing', methods: ['GET'])]
    #[OA\Get(path: '/api/documents/{id}/writing', operationId: 'readWriting')]
    #[OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'string'))]
    #[
        OA\QueryParameter(
            name: 'zone',
            description: 'The writer’s time zone, as “Europe/Berlin”',
            schema: new OA\Schema(type: 'string'),
        ),
    ]
    #[
        OA\Response(
            response: 200,
            description: 'What each day brought, this sitting, and what is planned',
            content: new OA\JsonContent(ref: WritingView::class),
        ),
    ]
    #[OA\Response(ref: '#/components/responses/Problem', response: 404)]
    public function writing(string $id, Request $request): JsonResponse
    {
        $zone = self::zone($request->query->getString('zone'));
        $today = $this->clock->now()->setTimezone($zone);
        $record = $this->store->get($id);
        $now = $this->log->hasNow($record, $today->getTimestamp());
        $words = $now->words;
        $sittings = $this->log->sittings($id);
        $last = $sittings[count($sittings) - 1] ?? null;
        $days = WritingDays::of($sittings, $now, $zone);
        $plan = $record->setup()->plan;

        return new JsonResponse(
            new WritingView(
                $words,
                $record->target,
                null === $last ? 0 : $now->more($last),
                $plan->sittingGoal,
                $plan->deadline,
                $plan->daysLeft($today),
                $plan->wordsADay($words, $record->target, $today),
                $today->format('Y-m-d'),
                array_map(
                    static fn(string $day, int $brought): WritingDay => new WritingDay($day, $brought),
                    array_slice(array_keys($days), -self::MOST_DAYS),
                    array_slice(array_values($days), -self::MOST_DAYS),
                ),
            ),
        );
    }

    private static function zone(string $name): \DateTimeZone
    {
        try {
            return new \DateTimeZone('' === $name ? 'UTC' : $name);
        } catch (\Exception) {
            throw ProblemException::malformed('That is no time zone.');
        }
    }
}
