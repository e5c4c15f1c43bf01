<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Detail;

use Stemmata\Core\Counting\Targets;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\TitleBlock;
use Stemmata\Core\Document\WritingPlan;
use Stemmata\Core\Language\Language;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;

/** Sets points of the title block. Null leaves a point as it is. */
final readonly class DescribeDocument implements Operation
{
    /**
     * @param int|null    $target   words; 0 takes the target away
     * @param string|null $language a tag after BCP 47
     * @param string|null $deadline a day, as “2026-11-29”; empty takes it away
     * @param int|null    $sittingGoal words; 0 takes the goal away
     */
    public function __construct(
        private ?string $title = null,
        private ?string $subtitle = null,
        private ?string $author = null,
        private ?string $guidingStatement = null,
        private ?int $target = null,
        private ?string $language = null,
        private ?string $date = null,
        private ?string $deadline = null,
        private ?int $sittingGoal = null,
        private ?string $question = null,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if (null !== $this->target && ($this->target < 0 || $this->target > Targets::HIGHEST)) {
            return Refused::wrongTarget();
        }
        if (null !== $this->language && !Language::isTag($this->language)) {
            return Refused::wrongLanguage();
        }
        if (null !== $this->sittingGoal && ($this->sittingGoal < 0 || $this->sittingGoal > Targets::HIGHEST)) {
            return Refused::wrongTarget();
        }
        if (null !== $this->deadline && '' !== $this->deadline && !WritingPlan::isDay($this->deadline)) {
            return Refused::wrongDay();
        }
        $now = $document->titleBlock;
        $plan = $document->setup->plan;
        $planned = new WritingPlan(
            '' === $this->deadline ? null : $this->deadline ?? $plan->deadline,
            0 === $this->sittingGoal ? null : $this->sittingGoal ?? $plan->sittingGoal,
        );

        return new Applied(
            ($planned == $plan
                ? $document
                : $document->withSetup($document->setup->withPlan($planned))
            )->withTitleBlock(
                new TitleBlock(
                    $this->title ?? $now->title,
                    $this->subtitle ?? $now->subtitle,
                    $this->author ?? $now->author,
                    $this->guidingStatement ?? $now->guidingStatement,
                    0 === $this->target ? null : $this->target ?? $now->target,
                    $this->language ?? $now->language,
                    $this->date ?? $now->date,
                    $this->question ?? $now->question,
                ),
            ),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::nothing();
    }

    public function describe(Document $before): string
    {
        return match (true) {
            null !== $this->title => sprintf('Named the document “%s”', $this->title),
            '' === $this->deadline => 'Took away the day to be finished by',
            null !== $this->deadline => 'Set the day to be finished by',
            null !== $this->sittingGoal => 'Set the words wanted in a sitting',
            null !== $this->question => 'Wrote down what the document asks',
            default => 'Changed what is said of the document',
        };
    }
}
