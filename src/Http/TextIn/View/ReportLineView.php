<?php

declare(strict_types=1);

namespace Stemmata\Http\TextIn\View;

use OpenApi\Attributes as OA;
use Stemmata\Format\Read\ReportLine;

/** One line of an import report. */
#[OA\Schema(schema: 'ReportLine')]
final readonly class ReportLineView
{
    /** @param list<array{section: string, detail: string}> $places */
    private function __construct(
        #[OA\Property(enum: ['kept', 'changed', 'lost', 'doubt'])] public string $kind,
        #[OA\Property] public string $sentence,
        #[OA\Property] public int $count,
        #[
            OA\Property(
                description: 'Where, the first hundred',
                type: 'array',
                items: new OA\Items(
                    required: ['section', 'detail'],
                    properties: [new OA\Property('section', type: 'string'), new OA\Property('detail', type: 'string')],
                    type: 'object',
                ),
            ),
        ]
        public array $places,
    ) {}

    public static function of(ReportLine $line): self
    {
        return new self($line->kind->value, $line->sentence, $line->count, $line->places);
    }

    /**
     * As another process wrote them.
     *
     * @return list<self>
     */
    public static function read(mixed $lines): array
    {
        $read = [];
        foreach (is_array($lines) ? $lines : [] as $line) {
            if ($line instanceof self) {
                $read[] = $line;
            } elseif (
                is_array($line) &&
                is_string($line['kind'] ?? null) &&
                is_string($line['sentence'] ?? null) &&
                is_int($line['count'] ?? null)
            ) {
                $read[] = new self(
                    $line['kind'],
                    $line['sentence'],
                    $line['count'],
                    self::places($line['places'] ?? []),
                );
            }
        }

        return $read;
    }

    /** @return list<array{section: string, detail: string}> */
    private static function places(mixed $places): array
    {
        $read = [];
        foreach (is_array($places) ? $places : [] as $place) {
            if (is_array($place) && is_string($place['section'] ?? null) && is_string($place['detail'] ?? null)) {
                $read[] = ['section' => $place['section'], 'detail' => $place['detail']];
            }
        }

        return $read;
    }
}
