<?php

declare(strict_types=1);

namespace Stemmata\Storage;

use Stemmata\Core\Marker;
use Stemmata\Core\Section;
use Stemmata\Core\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;

/**
 * A section as it is stored. What we wrote ourselves was valid when written, yet it is read through the schema again: the
 * cost is small for the few sections an operation touches, and a damaged file is noticed rather than spread.
 */
final class SectionForm
{
    /** @param array<mixed> $value */
    public static function json(array $value): string
    {
        return json_encode($value, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }

    public static function readHeading(string $plain, string $inline): Heading
    {
        return '' === $inline ? Heading::plain($plain) : Heading::fromJson(json_decode($inline, true, 512, \JSON_THROW_ON_ERROR));
    }

    public static function readBody(string $body): Body
    {
        return Body::fromJson(json_decode($body, true, 512, \JSON_THROW_ON_ERROR));
    }

    /** @return array<string, mixed> */
    public static function of(Section $section): array
    {
        return [
            'id' => $section->id->value,
            'heading' => $section->heading->toJson(),
            'body' => $section->body->toJson(),
            'aim' => $section->aim,
            'target' => $section->target,
            'marker' => $section->marker->value,
        ];
    }

    /** @param array<mixed> $stored as of() made it */
    public static function read(array $stored): Section
    {
        $row = new Row($stored);

        return new Section(
            SectionId::fromString($row->text('id')),
            Heading::fromJson($stored['heading'] ?? []),
            Body::fromJson($stored['body'] ?? []),
            $row->text('aim'),
            $row->findInteger('target'),
            Marker::from($row->text('marker')),
        );
    }
}
