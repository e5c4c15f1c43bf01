<?php

declare(strict_types=1);

namespace Stemmata\Tests\Support;

use PHPUnit\Framework\Assert;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Wire\OperationReader;

/** Operations as a window asks for them, with headings of a Sketch in place of ids. */
final class Wire
{
    /** One for all, so that what one operation makes is not made again by the next. */
    private static ?CountingIds $ids = null;

    /** @param array<string, mixed> $operation */
    public static function operation(array $operation): Operation
    {
        return (new OperationReader((self::$ids ??= new CountingIds())))->read(self::withIds($operation));
    }

    /** @param array<string, mixed> $operation */
    public static function done(Document $document, array $operation): Applied
    {
        $outcome = self::operation($operation)->applyTo($document);
        Assert::assertInstanceOf(Applied::class, $outcome, $outcome instanceof Refused ? $outcome->sentence : '');

        return $outcome;
    }

    /** @param array<string, mixed> $operation with ids that the document has */
    public static function doneAsGiven(Document $document, array $operation): Applied
    {
        $outcome = (new OperationReader((self::$ids ??= new CountingIds())))->read($operation)->applyTo($document);
        Assert::assertInstanceOf(Applied::class, $outcome, $outcome instanceof Refused ? $outcome->sentence : '');

        return $outcome;
    }

    /** @param array<string, mixed> $operation */
    public static function refused(Document $document, array $operation): Refused
    {
        $outcome = self::operation($operation)->applyTo($document);
        Assert::assertInstanceOf(Refused::class, $outcome);

        return $outcome;
    }

    /**
     * @param array<mixed> $operation
     *
     * @return array<mixed>
     */
    private static function withIds(array $operation): array
    {
        foreach (['section', 'target'] as $field) {
            if (is_string($operation[$field] ?? null)) {
                $operation[$field] = Sketch::id($operation[$field])->value;
            }
        }
        if (is_array($operation['sections'] ?? null)) {
            $operation['sections'] = array_map(
                static fn(mixed $name): string => Sketch::id(is_string($name) ? $name : '')->value,
                $operation['sections'],
            );
        }
        foreach (['lines', 'operations'] as $field) {
            if (is_array($operation[$field] ?? null)) {
                $operation[$field] = array_map(
                    static fn(mixed $each): array => self::withIds((array) $each),
                    $operation[$field],
                );
            }
        }

        return $operation;
    }
}
