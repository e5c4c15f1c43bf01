<?php

declare(strict_types=1);

namespace Stemmata\Storage\Section;

use Stemmata\Core\Document\Marker;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Document\Stage;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\InvalidBody;
use Stemmata\Core\Text\Node;
use Stemmata\Storage\Database\Row;

/**
 * A section as it is stored. What is written goes through the schema first, so that nothing is kept that could not be
 * read
 * again. What is read goes through it too: a damaged text is shown as such, whole, and spoils nothing around it.
 */
final class SectionForm
{
    /** @param array<mixed> $value */
    public static function json(array $value): string
    {
        return json_encode($value, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }

    /** @param string $inline empty when the heading is nothing but its words */
    public static function readHeading(string $plain, string $inline): Heading
    {
        if ('' === $inline) {
            // As it stands: a blank that does not break is kept.
            return Heading::ofInline('' === $plain ? [] : [Node::text(mb_scrub($plain))]);
        }
        try {
            return Heading::fromJson(json_decode($inline, true, flags: \JSON_THROW_ON_ERROR));
        } catch (InvalidBody | \JsonException) {
            return Heading::plain(mb_scrub($plain));
        }
    }

    public static function readBody(string $body): Body
    {
        try {
            return Body::fromJson(json_decode($body, true, flags: \JSON_THROW_ON_ERROR));
        } catch (InvalidBody | \JsonException) {
            return Body::unreadable(mb_scrub($body));
        }
    }

    /**
     * @return string the body as it goes into the database
     *
     * @throws InvalidBody for a body that could not be read again
     */
    public static function checkedBody(Section $section): string
    {
        if (null !== ($raw = $section->body->findUnreadable())) {
            return $raw;
        }
        (new BodySchema())->check($section->body->blocks);

        return self::json($section->body->toJson());
    }

    /**
     * @return string empty when the heading is nothing but its words
     *
     * @throws InvalidBody for a heading that could not be read again
     */
    public static function checkedHeading(Section $section): string
    {
        (new BodySchema())->checkInline($section->heading->inline);
        if (strlen($section->heading->plainText()) > Heading::MAX_BYTES) {
            throw InvalidBody::headingTooLong(Heading::MAX_BYTES);
        }

        return $section->heading->isPlain() ? '' : self::json($section->heading->toJson());
    }

    /** @param Section|null $unlike what is the same there is not written once more */
    public static function encoded(Section $section, KnownTexts $known, ?Section $unlike = null): string
    {
        $fields =
            null === $unlike
                ? self::encodedNotes($section)
                : array_diff_assoc(self::encodedNotes($section), self::encodedNotes($unlike));
        if (null === $unlike || $section->body != $unlike->body) {
            $isKnown = null === $section->body->findUnreadable() ? $known->find($section->body) : null;
            $fields['body'] = $isKnown[0] ?? self::json($section->body->toJson());
        }

        return '{' .
            implode(
                ',',
                array_map(
                    static fn(string $name, string $json): string => sprintf('"%s":%s', $name, $json),
                    array_keys($fields),
                    $fields,
                ),
            ) .
            '}';
    }

    /** @return array<string, string> JSON by field */
    private static function encodedNotes(Section $section): array
    {
        return [
            'id' => '"' . $section->id->value . '"',
            'heading' => self::json($section->heading->toJson()),
            'aim' => substr(self::json([$section->aim]), 1, -1),
            'target' => (string) json_encode($section->target),
            'marker' => '"' . $section->marker->value . '"',
            'stage' => '"' . $section->stage->value . '"',
            'shape' => '"' . $section->shape->written() . '"',
        ];
    }

    /**
     * @param array<mixed> $stored as encoded() made it, with every field
     * @param Section|null $unlike whose heading and body are taken over when they are not among what was written of
     *     this one
     * @param array<mixed> $own    what was
     */
    public static function read(array $stored, ?Section $unlike = null, array $own = []): Section
    {
        $row = new Row($stored);

        return new Section(
            SectionId::fromString($row->text('id')),
            null !== $unlike && !isset($own['heading'])
                ? $unlike->heading
                : self::readHeading(
                    self::wordsIn($stored['heading'] ?? []),
                    self::json((array) ($stored['heading'] ?? [])),
                ),
            null !== $unlike && !isset($own['body']) ? $unlike->body : self::bodyOf($stored['body'] ?? []),
            $row->text('aim'),
            $row->findInteger('target'),
            Marker::from($row->text('marker')),
            // Steps from before there were stages say nothing of them.
            Stage::from($row->findText('stage') ?? ''),
            Shape::kept($row->findText('shape') ?? ''),
        );
    }

    private static function bodyOf(mixed $json): Body
    {
        try {
            return Body::fromJson($json);
        } catch (InvalidBody) {
            return Body::unreadable(self::json((array) $json));
        }
    }

    /** The words of an inline content that may not be one. */
    private static function wordsIn(mixed $inline): string
    {
        $words = '';
        $inline = (array) $inline;
        array_walk_recursive($inline, static function (mixed $value, mixed $key) use (&$words): void {
            $words .= 'text' === $key && is_string($value) ? $value : '';
        });

        return $words;
    }
}
