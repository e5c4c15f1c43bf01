<?php

declare(strict_types=1);

namespace Stemmata\Http\Style\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Style\HouseStyle;
use Stemmata\Core\Style\StyleProperty;
use Stemmata\Core\Style\StyleSheet;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Style\WordLook;

/** One kind of text, what is said of it, and what comes of that. */
#[OA\Schema]
final readonly class KindView
{
    /**
     * @param list<string>          $properties
     */
    public function __construct(
        #[OA\Property(description: 'As style sheets name it')] public string $name,
        #[OA\Property(description: 'As it is shown')] public string $label,
        #[OA\Property(enum: ['paragraphs', 'words'])] public string $of,
        #[OA\Property(description: 'Whether it is a kind of the writer’s own')] public bool $isOwn,
        #[
            OA\Property(description: 'What it rests on; null for the body', type: 'string', nullable: true),
        ]
        public ?string $restsOn,
        #[OA\Property(description: 'Whether the style sheet says anything of it')] public bool $isChanged,
        #[
            OA\Property(description: 'What can be said of it', type: 'array', items: new OA\Items(type: 'string')),
        ]
        public array $properties,
        #[
            OA\Property(
                description: 'What the style sheet says beyond the house style, by property',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'string'),
            ),
        ]
        public object $said,
        #[
            OA\Property(
                description: 'How it looks, by property; of words, what they do not have from the text around them',
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(type: 'string'),
            ),
        ]
        public object $look,
    ) {}

    /** @return list<self> the shipped ones in the order of a document, then the writer’s own */
    public static function all(HouseStyle $style, StyleSheet $sheet): array
    {
        $views = [];
        $looks = [...$style->looks, ...$style->own, ...$style->words];
        foreach ([...TextKind::names(), ...array_keys($style->own), ...array_keys($style->words)] as $name) {
            $look = $looks[$name];
            $definition = $sheet->definition($name);
            $shipped = TextKind::find($name);
            $views[] = new self(
                $name,
                null === $shipped ? (string) $definition->label : $shipped[0]->label($shipped[1]),
                $definition->isWords ? 'words' : 'paragraphs',
                $definition->isOwn(),
                $sheet->restsOn($name),
                [] !== $definition->said || null !== $definition->restsOn,
                array_map(
                    static fn(StyleProperty $property): string => $property->value,
                    StyleSheet::propertiesOf($name, $definition),
                ),
                (object) $definition->said,
                (object) ($look instanceof WordLook ? $look->said : $look->said()),
            );
        }

        return $views;
    }
}
