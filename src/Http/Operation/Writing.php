<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation;

use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Http\Document\ViewOf;
use Stemmata\Http\Operation\View\Conflict;
use Stemmata\Http\Operation\View\WriteOutcome;
use Stemmata\Http\Request\ProblemException;
use Stemmata\Http\Request\ProblemListener;
use Stemmata\Storage\Document\DocumentStore;
use Stemmata\Storage\Document\Stale;
use Stemmata\Storage\Document\Step;
use Stemmata\Storage\Document\Written;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;

/** Hands an operation to the store and puts the outcome into an answer. */
final readonly class Writing
{
    public function __construct(private DocumentStore $store, private ViewOf $viewOf) {}

    /** @param string|null $typedIn the section, for typing: the window that typed has its text */
    public function answer(Step $step, ?string $typedIn = null): Response
    {
        $outcome = $this->outcome($step, $typedIn);

        return $outcome instanceof WriteOutcome ? new JsonResponse($outcome) : ProblemListener::response($outcome);
    }

    public function outcome(Step $step, ?string $typedIn = null): WriteOutcome|Conflict
    {
        $outcome = $this->store->applyStep($step);

        return match (true) {
            $outcome instanceof Written => $this->viewOf->writeOutcome($step->documentId, $outcome, $typedIn),
            $outcome instanceof Stale => $this->conflict($step->documentId, (int) $step->baseRevision, $outcome),
            $outcome instanceof Refused => throw ProblemException::refused(
                $outcome->reason->value,
                $outcome->sentence,
            ),
        };
    }

    public function conflict(string $id, int $base, Stale $stale): Conflict
    {
        return new Conflict(
            'about:blank',
            Response::$statusTexts[409],
            409,
            $stale->sentence,
            'stale',
            $this->viewOf->changesSince($this->store->get($id), $base),
            $this->viewOf->texts(
                $id,
                array_map(static fn(SectionId $section): string => $section->value, $stale->texts),
            ),
        );
    }
}
