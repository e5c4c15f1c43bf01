<?php

declare(strict_types=1);

namespace Stemmata\Http\Contents\View;

use OpenApi\Attributes as OA;
use Stemmata\Core\Contents\ContentsLines;

/**
 * One line of contents.
 *
 * @phpstan-import-type Line from ContentsLines
 */
#[OA\Schema(schema: 'ContentsLine')]
final readonly class ContentsLineView
{
    public function __construct(
        #[OA\Property(description: 'What it is known by when it is changed')] public string $key,
        #[OA\Property(description: 'That it leads to, or that holds what it leads to')] public string $section,
        #[OA\Property] public int $level,
        #[OA\Property] public string $number,
        #[
            OA\Property(description: 'The words of the heading, the caption, or the line that was added'),
        ]
        public string $heading,
        #[OA\Property(description: 'What the writer worded it as')] public ?string $words,
        #[OA\Property(description: 'Whether the writer left it out')] public bool $out,
        #[OA\Property(description: 'The bookmark that it was added for')] public ?string $bookmark,
        #[
            OA\Property(
                description: 'What it leads to: the id of a section or a bookmark, or of a caption its section’s with a colon and which it is there, from 0 on; empty for a caption that is gone',
            ),
        ]
        public string $target,
    ) {}

    /** @param Line $line */
    public static function of(array $line, ?string $target): self
    {
        return new self(
            ContentsLines::keyOf($line),
            $line['section'],
            $line['level'],
            $line['number'],
            $line['heading'],
            $line['words'] ?? null,
            isset($line['out']),
            $line['bookmark'] ?? null,
            $target ?? '',
        );
    }
}
