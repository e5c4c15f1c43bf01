<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\CoreException;
use Stemmata\Core\Numbering\Scheme;

/** What holds for a document throughout: how it is numbered, which parts it must have, whether captions bear numbers, when it is to be finished. */
final readonly class Setup
{
    /** @param list<RequiredPart> $requiredParts */
    public function __construct(
        public Scheme $numbering,
        public array $requiredParts = [],
        public bool $numbersCaptions = true,
        public WritingPlan $plan = new WritingPlan(),
    ) {}

    public static function plain(): self
    {
        return new self(Scheme::decimal());
    }

    public function withNumbering(Scheme $numbering): self
    {
        return new self($numbering, $this->requiredParts, $this->numbersCaptions, $this->plan);
    }

    /** @param list<RequiredPart> $requiredParts */
    public function withRequiredParts(array $requiredParts): self
    {
        return new self($this->numbering, $requiredParts, $this->numbersCaptions, $this->plan);
    }

    public function withNumberedCaptions(bool $numbered): self
    {
        return new self($this->numbering, $this->requiredParts, $numbered, $this->plan);
    }

    public function withPlan(WritingPlan $plan): self
    {
        return new self($this->numbering, $this->requiredParts, $this->numbersCaptions, $plan);
    }

    /** @return array<string, mixed> */
    public function toJson(): array
    {
        return array_filter([
            'numbering' => $this->numbering->toJson(),
            'requiredParts' => array_map(static fn(RequiredPart $part): array => $part->toJson(), $this->requiredParts),
            'plainCaptions' => !$this->numbersCaptions,
            'plan' => $this->plan->toJson(),
        ]);
    }

    /**
     * @param array<mixed> $json
     *
     * @throws CoreException
     */
    public static function fromJson(array $json): self
    {
        $parts = $json['requiredParts'] ?? [];

        return new self(
            Scheme::fromJson($json['numbering'] ?? null),
            array_map(RequiredPart::fromJson(...), is_array($parts) ? array_values($parts) : []),
            true !== ($json['plainCaptions'] ?? false),
            WritingPlan::fromJson($json['plan'] ?? null),
        );
    }
}
