<?php

declare(strict_types=1);

namespace Stemmata\Http\Operation;

use Stemmata\Core\Contents\LineLook;
use Stemmata\Core\Operation\Wire\OperationFields;
use Stemmata\Core\Outline\Level;

/** The operations in the words of OpenAPI 3.1: one schema for each, told apart by their name. */
final class OperationSchema
{
    /** @return array<string, array<string, mixed>> by the schema's name */
    public static function schemas(): array
    {
        $schemas = [];
        $mapping = [];
        foreach (OperationFields::OF as $name => $fields) {
            $title = str_replace(' ', '', ucwords(strtr($name, '-', ' '))) . 'Operation';
            $mapping[$name] = '#/components/schemas/' . $title;
            $required = array_keys(
                array_filter($fields, static fn(string $kind): bool => !str_starts_with($kind, '?')),
            );
            $schemas[$title] = [
                'type' => 'object',
                'required' => ['name', ...$required],
                'properties' => [
                    'name' => ['type' => 'string', 'enum' => [$name]],
                    ...array_map(static fn(string $kind): array => self::field(ltrim($kind, '?')), $fields),
                ],
            ];
        }

        return [
            'Operation' => [
                'oneOf' => array_map(static fn(string $ref): array => ['$ref' => $ref], array_values($mapping)),
                'discriminator' => ['propertyName' => 'name', 'mapping' => $mapping],
            ],
            ...$schemas,
        ];
    }

    /** @return array<string, mixed> */
    private static function field(string $kind): array
    {
        if (enum_exists($kind)) {
            return [
                'type' => 'string',
                'enum' => array_map(
                    static fn(\UnitEnum $case): string => $case instanceof \BackedEnum
                        ? (string) $case->value
                        : $case->name,
                    $kind::cases(),
                ),
            ];
        }
        if (str_contains($kind, '|')) {
            return ['type' => 'string', 'enum' => explode('|', $kind)];
        }
        $parts = ['type' => 'array', 'items' => ['type' => 'object']];

        return match ($kind) {
            'id', 'text' => ['type' => 'string'],
            'idOrNull' => ['type' => ['string', 'null']],
            'integer' => ['type' => 'integer'],
            'boolean' => ['type' => 'boolean'],
            'ids' => ['type' => 'array', 'items' => ['type' => 'string']],
            'integers' => ['type' => 'array', 'minItems' => 1, 'items' => ['type' => 'integer']],
            'body' => $parts,
            'heading' => ['oneOf' => [['type' => 'string'], $parts]],
            'numbering' => ['type' => ['object', 'null']],
            'pages' => ['type' => ['object', 'null'], 'additionalProperties' => true],
            'styleSheet' => ['type' => 'object', 'additionalProperties' => true],
            'kindChanges' => [
                'type' => 'object',
                'additionalProperties' => ['type' => ['string', 'null']],
            ],
            'looks' => [
                'type' => 'object',
                'additionalProperties' => [
                    'type' => ['string', 'null'],
                    'enum' => [...array_column(LineLook::cases(), 'value'), null],
                ],
            ],
            'query' => ['$ref' => '#/components/schemas/FindQuery'],
            'lines' => [
                'type' => 'array',
                'minItems' => 1,
                'items' => [
                    'type' => 'object',
                    'required' => ['section', 'block', 'level'],
                    'properties' => [
                        'section' => ['type' => 'string'],
                        'block' => ['type' => 'integer'],
                        'level' => [
                            'type' => 'integer',
                            'minimum' => Level::One->value,
                            'maximum' => Level::Nine->value,
                        ],
                    ],
                ],
            ],
            'sectionText' => [
                'type' => 'object',
                'required' => ['heading', 'body'],
                'properties' => ['heading' => $parts, 'body' => $parts],
            ],
            'texts' => [
                'type' => 'array',
                'minItems' => 1,
                'items' => [
                    'type' => 'object',
                    'required' => ['heading', 'body'],
                    'properties' => [
                        'heading' => $parts,
                        'body' => $parts,
                        'level' => [
                            'type' => 'integer',
                            'minimum' => Level::One->value,
                            'maximum' => Level::Nine->value,
                        ],
                        'id' => ['type' => 'string'],
                    ],
                ],
            ],
            'operations' => [
                'type' => 'array',
                'minItems' => 1,
                'items' => ['$ref' => '#/components/schemas/Operation'],
            ],
            default => throw new \LogicException(sprintf('There is no kind of field “%s”.', $kind)),
        } + ['description' => ucfirst(OperationFields::KINDS[$kind])];
    }
}
