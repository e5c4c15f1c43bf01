<?php

declare(strict_types=1);

namespace Stemmata\Http\Document\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Check\Finding;
use Stemmata\Core\Document\Document;

/** What the structure check reports. */
#[OA\Schema(schema: 'Finding')]
final readonly class FindingView
{
    public function __construct(
        #[OA\Property] public string $rule,
        #[OA\Property] public ?string $section,
        #[OA\Property] public string $message,
        #[OA\Property] public string $source,
    ) {}

    /**
     * @param list<Finding> $findings
     *
     * @return list<self>
     */
    public static function all(array $findings, Document $document): array
    {
        return array_map(
            static fn(Finding $finding): self => new self(
                $finding->rule,
                $finding->position < $document->outline->count()
                    ? $document->outline->idAt($finding->position)->value
                    : null,
                $finding->message,
                $finding->source,
            ),
            $findings,
        );
    }
}
