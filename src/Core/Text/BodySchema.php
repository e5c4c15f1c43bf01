<?php

declare(strict_types=1);

namespace Stemmata\Core\Text;

use Stemmata\Core\Formula\Formula;
use Stemmata\Core\Language\Characters;
use Stemmata\Core\Link\BookmarkName;
use Stemmata\Core\Link\CrossReferenceShows;
use Stemmata\Core\Link\KindName;
use Stemmata\Core\Link\LinkTarget;
use Stemmata\Core\Outline\Level;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\Shape;

/**
 * Which parts a text may hold, and which may stand in which. The editor builds its own schema from this table
 * (`bin/console stemmata:schema`), so the two cannot differ.
 *
 * `content` is written as the editor's library writes it: names or groups, each with `+` (one or more), `*` (any
 * number)
 * or neither (exactly one). `attributes` gives for each the pattern or kind its value must have; a trailing `?` allows
 * null, and after `??` null is not written at all: few parts have such an attribute.
 */
final class BodySchema
{
    private const MAX_DEPTH = 60;
    /** Of words that are said of a part: a title, a description, a hint. */
    public const MAX_WORDS_BYTES = 4096;
    private const ALL_MARKS = [
        'emphasis',
        'strong',
        'code',
        'struck',
        'superscript',
        'subscript',
        'link',
        'kind',
        'shape',
    ];

    /**
     * @var array<string, array{group: string|null, content: string|null, marks: bool, attributes: array<string,
     *     string>}>
     */
    public const NODES = [
        'paragraph' => [
            'group' => 'block',
            'content' => 'inline*',
            'marks' => true,
            // Of a kind that the document’s style sheet defines; and what is said of its look by hand (Core\Style\Shape).
            'attributes' => ['look' => 'look??', 'kind' => 'kindName??', 'shape' => 'shape??'],
        ],
        'quotation' => ['group' => 'block', 'content' => 'block+', 'marks' => false, 'attributes' => []],
        'bulletList' => ['group' => 'block', 'content' => 'listItem+', 'marks' => false, 'attributes' => []],
        'orderedList' => [
            'group' => 'block',
            'content' => 'listItem+',
            'marks' => false,
            'attributes' => ['start' => 'integer', 'style' => 'listStyle??'],
        ],
        'listItem' => ['group' => null, 'content' => 'paragraph block*', 'marks' => false, 'attributes' => []],
        'codeBlock' => [
            'group' => 'block',
            'content' => 'text*',
            'marks' => false,
            'attributes' => ['language' => 'words?'],
        ],
        'figure' => [
            'group' => 'block',
            'content' => 'inline*',
            'marks' => true,
            'attributes' => ['src' => 'image', 'alt' => 'words', 'width' => 'percent??', 'decorative' => 'yes??'],
        ],
        'table' => [
            'group' => 'block',
            'content' => 'caption tableRow+',
            'marks' => false,
            'attributes' => ['landscape' => 'yes??'],
        ],
        'caption' => ['group' => null, 'content' => 'inline*', 'marks' => true, 'attributes' => []],
        'tableRow' => ['group' => null, 'content' => 'tableCell+', 'marks' => false, 'attributes' => []],
        'tableCell' => [
            'group' => null,
            'content' => 'inline*',
            'marks' => true,
            'attributes' => [
                'header' => 'boolean',
                'align' => 'align?',
                'columns' => 'span??',
                'rows' => 'span??',
            ],
        ],
        'calculation' => ['group' => 'block', 'content' => 'text*', 'marks' => false, 'attributes' => []],
        'formulaBlock' => [
            'group' => 'block',
            'content' => null,
            'marks' => false,
            'attributes' => ['source' => 'formula'],
        ],
        'separator' => ['group' => 'block', 'content' => null, 'marks' => false, 'attributes' => []],
        'pageBreak' => ['group' => 'block', 'content' => null, 'marks' => false, 'attributes' => []],
        'contents' => [
            'group' => 'block',
            'content' => null,
            'marks' => false,
            'attributes' => [
                'title' => 'words',
                'from' => 'level',
                'to' => 'level',
                'numbers' => 'boolean',
                'lines' => 'contentsLines',
                'pages' => 'contentsPages??',
                'twoColumns' => 'yes??',
                'shaded' => 'yes??',
                'ownPage' => 'yes??',
                'always' => 'yes??',
                'branch' => 'id??',
                'of' => 'contentsOf??',
                'looks' => 'lineLooks??',
            ],
        ],
        // What the database holds in place of a text, when that was damaged: kept to the letter and shown as such.
        'unreadable' => ['group' => 'block', 'content' => 'text*', 'marks' => false, 'attributes' => []],
        'text' => ['group' => 'inline', 'content' => null, 'marks' => false, 'attributes' => []],
        'hardBreak' => ['group' => 'inline', 'content' => null, 'marks' => false, 'attributes' => []],
        'bookmark' => [
            'group' => 'inline',
            'content' => null,
            'marks' => false,
            'attributes' => ['id' => 'id', 'name' => 'bookmarkName'],
        ],
        // Of the bookmark with that id, when it names a stretch (NamedStretches).
        'bookmarkEnd' => ['group' => 'inline', 'content' => null, 'marks' => false, 'attributes' => ['id' => 'id']],
        // What the writer wants to be reminded of there (Core\Document\Reminder).
        'reminder' => [
            'group' => 'inline',
            'content' => null,
            'marks' => false,
            'attributes' => ['id' => 'id', 'words' => 'words', 'settled' => 'yes??'],
        ],
        'crossReference' => [
            'group' => 'inline',
            'content' => null,
            'marks' => false,
            'attributes' => ['href' => 'target', 'shows' => 'shows'],
        ],
        'image' => [
            'group' => 'inline',
            'content' => null,
            'marks' => false,
            'attributes' => ['src' => 'image', 'alt' => 'words', 'width' => 'percent??', 'decorative' => 'yes??'],
        ],
        'formula' => [
            'group' => 'inline',
            'content' => null,
            'marks' => false,
            'attributes' => ['source' => 'formula'],
        ],
        'footnote' => ['group' => 'inline', 'content' => 'text*', 'marks' => true, 'attributes' => []],
    ];

    /** @var array<string, array{attributes: array<string, string>}> */
    public const MARKS = [
        'link' => ['attributes' => ['href' => 'target', 'title' => 'words?']],
        'kind' => ['attributes' => ['name' => 'kindName']],
        'shape' => ['attributes' => ['said' => 'wordShape']],
        'emphasis' => ['attributes' => []],
        'strong' => ['attributes' => []],
        'code' => ['attributes' => []],
        'struck' => ['attributes' => []],
        'superscript' => ['attributes' => []],
        'subscript' => ['attributes' => []],
    ];

    /** @var array<string, string> */
    private array $contentPatterns = [];

    public static function isLeaf(string $type): bool
    {
        return null === (self::NODES[$type]['content'] ?? null);
    }

    /** Whether its content is blocks or the parts of a table, and not words. */
    public static function holdsBlocks(string $type): bool
    {
        return !in_array(self::NODES[$type]['content'] ?? null, [null, 'inline*', 'text*'], true);
    }

    public static function isBlock(string $type): bool
    {
        return 'inline' !== (self::NODES[$type]['group'] ?? null);
    }

    /**
     * The door for text from outside: a list of blocks as the editor keeps them.
     *
     * @return list<Node>
     *
     * @throws InvalidBody naming the first part that may not stand where it stands
     */
    public function readBlocks(mixed $json): array
    {
        return $this->readContent($json, 'body', 'block*', true, 0);
    }

    /**
     * @return list<Node> text, breaks, bookmarks and footnotes
     *
     * @throws InvalidBody
     */
    public function readInline(mixed $json): array
    {
        return $this->readContent($json, 'heading', 'inline*', true, 0);
    }

    /**
     * Whether a text that our own code built is one that could be read again.
     *
     * @param list<Node> $blocks
     *
     * @throws InvalidBody naming the first part that may not stand where it stands
     */
    public function check(array $blocks): void
    {
        $this->checkContent($blocks, 'body', 'block*', true, 0);
    }

    /**
     * @param list<Node> $inline
     *
     * @throws InvalidBody
     */
    public function checkInline(array $inline): void
    {
        $this->checkContent($inline, 'heading', 'inline*', true, 0);
    }

    /** @param list<Node> $content */
    private function checkContent(array $content, string $type, string $expression, bool $marks, int $depth): void
    {
        $types = '';
        foreach ($content as $node) {
            $this->checkNode($node, $type, $marks, $depth);
            $types .= $node->type . ' ';
        }
        $this->requireFit($types, $type, $expression, $depth);
    }

    private function checkNode(Node $node, string $in, bool $marks, int $depth): void
    {
        $rule = self::NODES[$node->type] ?? throw InvalidBody::unknownNode($node->type);
        foreach ($node->marks as $mark) {
            if (!$marks || !in_array($mark->type, self::ALL_MARKS, true)) {
                throw InvalidBody::unknownMark($mark->type, $in);
            }
            $this->readAttributes($mark->type, self::MARKS[$mark->type]['attributes'], $mark->attributes);
        }
        if ($node->isText()) {
            $this->readText($node->text);

            return;
        }
        $this->readAttributes($node->type, $rule['attributes'], $node->attributes);
        if (null === $rule['content'] && [] !== $node->content) {
            throw InvalidBody::wrongContent($node->type);
        }
        if (null !== $rule['content']) {
            $this->checkContent($node->content, $node->type, $rule['content'], $rule['marks'], $depth + 1);
        }
    }

    private function requireFit(string $types, string $type, string $expression, int $depth): void
    {
        if ($depth > self::MAX_DEPTH) {
            throw InvalidBody::tooDeep(self::MAX_DEPTH);
        }
        if (1 !== preg_match($this->contentPatterns[$expression] ??= self::patternOf($expression), $types)) {
            throw InvalidBody::wrongContent($type);
        }
    }

    /** @return list<Node> */
    private function readContent(mixed $json, string $type, string $expression, bool $marks, int $depth): array
    {
        if (!is_array($json) || !array_is_list($json)) {
            throw InvalidBody::malformed();
        }
        if ($depth > self::MAX_DEPTH) {
            throw InvalidBody::tooDeep(self::MAX_DEPTH);
        }
        $types = '';
        $nodes = [];
        foreach ($json as $child) {
            $node = $this->readNode($child, $type, $marks, $depth);
            if ($node->isText() && '' === $node->text) {
                // It held nothing but signs that are no characters.
                continue;
            }
            $types .= $node->type . ' ';
            $nodes[] = $node;
        }
        $this->requireFit($types, $type, $expression, $depth);

        return $nodes;
    }

    private function readNode(mixed $json, string $in, bool $marks, int $depth): Node
    {
        if (!is_array($json) || !is_string($type = $json['type'] ?? null)) {
            throw InvalidBody::malformed();
        }
        $rule = self::NODES[$type] ?? throw InvalidBody::unknownNode($type);
        if ('text' === $type) {
            return Node::text(
                Characters::cleaned($this->readText($json['text'] ?? null)),
                $this->readMarks($json['marks'] ?? [], $in, $marks),
            );
        }

        return new Node(
            $type,
            $this->readAttributes($type, $rule['attributes'], $json['attrs'] ?? []),
            null === $rule['content']
                ? []
                : $this->readContent($json['content'] ?? [], $type, $rule['content'], $rule['marks'], $depth + 1),
            marks: $this->readMarks($json['marks'] ?? [], $in, $marks),
        );
    }

    private function readText(mixed $text): string
    {
        if (!is_string($text) || '' === $text || !mb_check_encoding($text, 'UTF-8')) {
            throw InvalidBody::malformed();
        }

        return $text;
    }

    /** @return list<Mark> */
    private function readMarks(mixed $json, string $in, bool $allowed): array
    {
        if (!is_array($json)) {
            throw InvalidBody::malformed();
        }
        $marks = [];
        foreach ($json as $mark) {
            $type = is_array($mark) ? $mark['type'] ?? null : null;
            if (!is_array($mark) || !is_string($type)) {
                throw InvalidBody::malformed();
            }
            if (!$allowed || !in_array($type, self::ALL_MARKS, true)) {
                throw InvalidBody::unknownMark($type, $in);
            }
            $attributes = [];
            foreach (
                $this->readAttributes($type, self::MARKS[$type]['attributes'], $mark['attrs'] ?? [])
                as $name => $value
            ) {
                $attributes[$name] = is_scalar($value) ? $value : null;
            }
            $marks[] = new Mark($type, $attributes);
        }

        return $marks;
    }

    /**
     * @param array<string, string> $rules
     *
     * @return array<string, mixed>
     */
    private function readAttributes(string $type, array $rules, mixed $json): array
    {
        if (!is_array($json)) {
            throw InvalidBody::malformed();
        }
        $read = [];
        foreach ($rules as $name => $kind) {
            $value = $json[$name] ?? null;
            if (!(null === $value && str_ends_with($kind, '?')) && !self::isOfKind($value, rtrim($kind, '?'))) {
                throw 'bookmarkName' === $kind
                    ? InvalidBody::bookmarkName()
                    : InvalidBody::wrongAttribute($type, $name);
            }
            if (null !== $value || !str_ends_with($kind, '??')) {
                $read[$name] = $value;
            }
        }

        return $read;
    }

    private static function isOfKind(mixed $value, string $kind): bool
    {
        return match ($kind) {
            'integer' => is_int($value) && $value >= 0 && $value < 1_000_000_000,
            'level' => is_int($value) && null !== Level::tryFrom($value) && !Level::from($value)->isOpening(),
            'boolean' => is_bool($value),
            'words' => is_string($value) &&
                mb_check_encoding($value, 'UTF-8') &&
                strlen($value) <= self::MAX_WORDS_BYTES,
            'line' => is_string($value) && mb_check_encoding($value, 'UTF-8') && strlen($value) <= Heading::MAX_BYTES,
            'align' => in_array($value, ['left', 'center', 'right'], true),
            'id' => is_string($value) && 1 === preg_match('/\A' . SectionId::PATTERN . '\z/', $value),
            'bookmarkName' => is_string($value) && BookmarkName::isValid($value),
            'shows' => is_string($value) && null !== CrossReferenceShows::tryFrom($value),
            'target' => is_string($value) && LinkTarget::isValid($value),
            'image' => is_string($value) && Picture::isAddress($value),
            'look' => Look::isSound($value),
            'kindName' => is_string($value) && KindName::isValid($value),
            'shape' => is_string($value) && Shape::isSound($value, false),
            'wordShape' => is_string($value) && Shape::isSound($value, true),
            'formula' => is_string($value) && Formula::isSound($value),
            'percent' => is_int($value) && $value >= 5 && $value <= 100,
            'span' => is_int($value) && $value >= 2 && $value <= 1000,
            'yes' => true === $value,
            'listStyle' => is_string($value) && null !== ListStyle::tryFrom($value),
            'contentsPages' => in_array($value, ['plain', 'none'], true),
            'contentsOf' => in_array($value, ['figures', 'tables'], true),
            'contentsLines' => self::isContentsLines($value),
            'lineLooks' => self::areLineLooks($value),
            default => false,
        };
    }

    /** By level (Core\Contents\LineLook). */
    private static function areLineLooks(mixed $value): bool
    {
        if (!is_array($value) || [] === $value) {
            return false;
        }
        foreach ($value as $level => $look) {
            if (
                !is_int($level) ||
                $level < Level::One->value ||
                $level > Level::Nine->value ||
                !in_array($look, ['strong', 'regular', 'italic', 'small'], true)
            ) {
                return false;
            }
        }

        return true;
    }

    private static function isContentsLines(mixed $lines): bool
    {
        if (!is_array($lines) || !array_is_list($lines)) {
            return false;
        }
        foreach ($lines as $line) {
            $isLine =
                is_array($line) &&
                self::isOfKind($line['section'] ?? null, 'id') &&
                self::isOfKind($line['level'] ?? null, 'level') &&
                self::isOfKind($line['number'] ?? null, 'line') &&
                self::isOfKind($line['heading'] ?? null, 'line') &&
                self::isOfKind($line['words'] ?? 'none', 'line') &&
                self::isOfKind($line['out'] ?? true, 'yes') &&
                self::isOfKind($line['bookmark'] ?? $line['section'], 'id') &&
                self::isOfKind($line['caption'] ?? 0, 'integer');
            if (!$isLine) {
                return false;
            }
        }

        return true;
    }

    /** `paragraph block*` becomes a pattern over the children's names, each followed by a blank. */
    private static function patternOf(string $expression): string
    {
        $pattern = '';
        foreach (explode(' ', $expression) as $term) {
            $name = rtrim($term, '+*');
            $members = array_keys(array_filter(self::NODES, static fn(array $rule): bool => $rule['group'] === $name));
            $repeat = substr($term, strlen($name));
            $pattern .= sprintf(
                '(?:(?:%s) )%s',
                implode('|', [] === $members ? [$name] : $members),
                '' === $repeat ? '' : $repeat . '+',
            );
        }

        return '/\A' . $pattern . '\z/';
    }
}
