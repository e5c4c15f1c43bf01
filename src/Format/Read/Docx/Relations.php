<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;

/** The relationships of a part (ECMA-376-2, 9): names for other parts and for addresses outside. */
final readonly class Relations
{
    /** @param array<string, array{target: string, isOutside: bool, type: string}> $byId */
    private function __construct(private array $byId, private string $folder) {}

    /** @param string $folder of the part they belong to, with a stroke at its end */
    public static function read(?string $xml, string $folder): self
    {
        $byId = [];
        $root = null === $xml ? null : XmlPart::small($xml)->documentElement;
        foreach (null === $root ? [] : Xml::children($root) as $relation) {
            $byId[$relation->getAttribute('Id')] = [
                'target' => $relation->getAttribute('Target'),
                'isOutside' => 'External' === $relation->getAttribute('TargetMode'),
                'type' => basename($relation->getAttribute('Type')),
            ];
        }

        return new self($byId, $folder);
    }

    /** An address outside the file. */
    public function findAddress(string $id): ?string
    {
        return $this->byId[$id]['target'] ?? null;
    }

    public function isOutside(string $id): bool
    {
        return $this->byId[$id]['isOutside'] ?? false;
    }

    /** The name of another part in the package. */
    public function findPart(string $id): ?string
    {
        $relation = $this->byId[$id] ?? null;

        return null === $relation || $relation['isOutside'] ? null : self::resolved($relation['target'], $this->folder);
    }

    public function findPartOfType(string $type): ?string
    {
        foreach ($this->byId as $relation) {
            if ($relation['type'] === $type) {
                return self::resolved($relation['target'], $this->folder);
            }
        }

        return null;
    }

    private static function resolved(string $target, string $folder): string
    {
        $steps = [];
        foreach (explode('/', str_starts_with($target, '/') ? $target : $folder . $target) as $step) {
            if ('..' === $step) {
                array_pop($steps);
            } elseif ('' !== $step && '.' !== $step) {
                $steps[] = $step;
            }
        }

        return implode('/', $steps);
    }
}
