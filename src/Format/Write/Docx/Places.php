<?php

declare(strict_types=1);

namespace Stemmata\Format\Write\Docx;

use Stemmata\Core\Document\NamedStretches;
use Stemmata\Core\Link\BookmarkName;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Rendition\Rendition;
use Stemmata\Core\Text\Node;

/**
 * Bookmarks of the file (ECMA-376-1, 17.13.6): the writer's own under their names, and one around each heading that
 * something leads to. Those begin with a low line, by which programs know what they need not show (common practice).
 */
final class Places
{
    /** Marks a heading that is left out of the contents. */
    public const LEFT_OUT = '_Out_';
    /** Stands between two paragraphs. */
    public const SPACE = '_Apart_';

    private int $count = 0;
    /** @var array<string, string> by the id of the place */
    private array $names = [];
    /** @var array<string, true> ids of bookmarks that end further on, of the section being written */
    private array $ending = [];
    /** @var array<string, int> numbers of those whose beginning was written, by id */
    private array $begun = [];

    public function __construct(private readonly Rendition $rendition)
    {
        $taken = [];
        foreach ($rendition->places->names() as $id => $name) {
            // Programs take names for the same that differ in capitals only.
            $this->names[$id] = BookmarkName::free(
                $name,
                static fn(string $try): bool => isset($taken[mb_strtolower($try)]),
            );
            $taken[mb_strtolower($this->names[$id])] = true;
        }
    }

    public static function ofSection(string $id): string
    {
        return '_Sec_' . $id;
    }

    /**
     * @return string|null the bookmark that a link leads to; null for an address, or a place that is not in the file
     */
    public function find(string $target): ?string
    {
        $id = $this->rendition->findPlaceId($target);
        if (null === $id) {
            return null;
        }

        return LinkTarget::toSection($id) === $target ? self::ofSection($id) : $this->names[$id] ?? null;
    }

    /** @param list<Node> $nodes of the section that is written from here on */
    public function begin(array $nodes): void
    {
        $this->ending = NamedStretches::in($nodes);
    }

    public function bookmark(string $id, string $name): string
    {
        $name = $this->names[$id] ?? $name;
        if (!isset($this->ending[$id])) {
            return $this->named($name);
        }
        $this->begun[$id] = ++$this->count;

        return sprintf('<w:bookmarkStart w:id="%d" w:name="%s"/>', $this->count, Xml::escaped($name));
    }

    /** Empty where nothing was begun. */
    public function end(string $id): string
    {
        $number = $this->begun[$id] ?? null;
        unset($this->begun[$id]);

        return null === $number ? '' : sprintf('<w:bookmarkEnd w:id="%d"/>', $number);
    }

    /** @param string $words what the bookmark is around; empty for a point */
    public function named(string $name, string $words = ''): string
    {
        ++$this->count;

        return sprintf(
            '<w:bookmarkStart w:id="%1$d" w:name="%2$s"/>%3$s<w:bookmarkEnd w:id="%1$d"/>',
            $this->count,
            Xml::escaped($name),
            $words,
        );
    }
}
