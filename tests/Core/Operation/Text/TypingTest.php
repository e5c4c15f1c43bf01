<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Text;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\Operation\Text\Typing;
use Stemmata\Tests\Support\Sketch;
use Stemmata\Tests\Support\Wire;

final class TypingTest extends TestCase
{
    private const TEXT = ['name' => 'replace-body', 'section' => 'a', 'body' => []];
    private const HEADING = ['name' => 'rename', 'section' => 'a', 'heading' => [['type' => 'text', 'text' => 'A']]];

    /** @param array<string, mixed> $operation */
    #[TestWith([self::TEXT, true])]
    #[TestWith([self::HEADING, true])]
    #[
        TestWith(
            [['name' => 'batch', 'operations' => [self::HEADING, self::TEXT]], true],
            'heading and text of one section',
        ),
    ]
    #[TestWith([['name' => 'rename', 'section' => 'a', 'heading' => 'A'], false], 'a name given in the outline')]
    #[
        TestWith(
            [
                [
                    'name' => 'batch',
                    'operations' => [self::TEXT, ['name' => 'replace-body', 'section' => 'b', 'body' => []]],
                ],
                false,
            ],
            'two sections',
        ),
    ]
    #[
        TestWith(
            [['name' => 'batch', 'operations' => [self::TEXT, ['name' => 'promote', 'sections' => ['a']]]], false],
            'typing and more',
        ),
    ]
    #[TestWith([['name' => 'promote', 'sections' => ['a']], false])]
    public function testTypingIsWritingInOneSectionAndNothingBesides(array $operation, bool $isTyping): void
    {
        self::assertSame(
            $isTyping ? Sketch::id('a')->value : null,
            Typing::findSection(Wire::operation($operation))?->value,
        );
    }
}
