<?php

declare(strict_types=1);

namespace Stemmata\Http\Screen;

use OpenApi\Attributes as OA;

/** The writer's own keys. */
#[OA\Schema(schema: 'Keys')]
final readonly class KeysView implements \JsonSerializable
{
    /** @param array<string, list<string>> $keys */
    public function __construct(
        #[
            OA\Property(
                description: 'By command; commands with our keys are not among them',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'string')),
            ),
        ]
        public array $keys,
    ) {}

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['keys' => (object) $this->keys];
    }
}
