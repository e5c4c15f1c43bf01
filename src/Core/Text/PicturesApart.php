<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

/** Takes pictures that came within a text (RFC 2397) out of it; the text holds their addresses from then on. */
final class PicturesApart
{
    /** @var array<string, Picture> by hash */
    public array $pictures = [];

    /**
     * @param list<Node> $parts
     *
     * @return list<Node> the same when they hold none
     */
    public function of(array $parts): array
    {
        return array_map($this->apart(...), $parts);
    }

    private function apart(Node $part): Node
    {
        $content = $this->of($part->content);
        $part = $content === $part->content ? $part : $part->withContent($content);
        $picture = str_starts_with($part->textAttribute('src'), 'data:')
            ? Picture::findInDataAddress($part->textAttribute('src'))
            : null;
        if (null === $picture) {
            return $part;
        }
        $this->pictures[$picture->hash] = $picture;

        return $part->withAttributes([...$part->attributes, 'src' => $picture->address()]);
    }
}
