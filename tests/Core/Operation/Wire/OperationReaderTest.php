<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Wire;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Stemmata\Core\CoreException;
use Stemmata\Core\Operation\Wire\InvalidOperation;
use Stemmata\Core\Operation\Wire\OperationFields;
use Stemmata\Core\Operation\Wire\OperationReader;
use Stemmata\Tests\Support\CountingIds;
use Stemmata\Tests\Support\Wire;

/** What may be asked, and how a request that says nothing is answered before any rule is. */
final class OperationReaderTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>}> one request by each name, with only what it needs */
    public static function requests(): iterable
    {
        $requests = [
            ['name' => 'promote', 'sections' => ['a']],
            ['name' => 'demote', 'sections' => ['a']],
            ['name' => 'set-level', 'sections' => ['a'], 'level' => 2],
            ['name' => 'move', 'sections' => ['a'], 'landing' => 'after', 'target' => 'b'],
            ['name' => 'move-up', 'sections' => ['a']],
            ['name' => 'move-down', 'sections' => ['a']],
            ['name' => 'split', 'section' => 'a', 'from' => 1],
            ['name' => 'join', 'section' => 'a', 'heading' => 'offcut'],
            ['name' => 'make-heading', 'section' => 'a', 'block' => 0, 'level' => 1],
            ['name' => 'make-headings', 'lines' => [['section' => 'a', 'block' => 0, 'level' => 1]]],
            ['name' => 'take-as-title', 'section' => 'a', 'block' => 0, 'part' => 'title'],
            ['name' => 'put-title-in-text', 'part' => 'subtitle'],
            ['name' => 'split-by-rule', 'sections' => ['a'], 'rule' => 'words'],
            ['name' => 'use-numbering', 'numbering' => null],
            ['name' => 'number-captions', 'captions' => 'plain'],
            ['name' => 'name-marker', 'marker' => 'bud', 'words' => 'ask Ines'],
            ['name' => 'use-house-style', 'style' => 'report'],
            ['name' => 'use-style-sheet', 'sheet' => ['name' => 'Sheet']],
            ['name' => 'shape-kind', 'kind' => 'body', 'changes' => ['size' => '12pt']],
            ['name' => 'remove-kind', 'kind' => 'verse'],
            ['name' => 'give-kind', 'kind' => 'verse', 'becomes' => 'quotation'],
            ['name' => 'make-all-so', 'kind' => 'heading-2', 'shape' => 'size:14pt'],
            ['name' => 'clear-shapes'],
            ['name' => 'set-off-quotations', 'section' => 'a'],
            ['name' => 'set-up-pages'],
            ['name' => 'insert'],
            ['name' => 'rename', 'section' => 'a', 'heading' => 'b'],
            ['name' => 'replace-body', 'section' => 'a', 'body' => []],
            ['name' => 'replace-found', 'query' => ['words' => 'a'], 'with' => 'b', 'sections' => ['a']],
            ['name' => 'replace-stretch', 'sections' => ['a'], 'texts' => [['heading' => [], 'body' => []]]],
            ['name' => 'bookmark-caption', 'section' => 'a', 'index' => 0, 'bookmark' => 'n00000000001'],
            ['name' => 'change-reminder', 'section' => 'a', 'reminder' => 'n00000000001'],
            ['name' => 'duplicate', 'sections' => ['a']],
            ['name' => 'delete', 'sections' => ['a']],
            ['name' => 'set-aside', 'sections' => ['a']],
            ['name' => 'bring-back', 'offcut' => 'n00000000001'],
            ['name' => 'set-text-aside', 'section' => 'a', 'from' => 0, 'to' => 1],
            ['name' => 'note-idea', 'words' => 'a'],
            ['name' => 'reword-idea', 'idea' => 'n00000000001', 'words' => 'a'],
            ['name' => 'discard', 'offcut' => 'n00000000001'],
            ['name' => 'describe-section', 'sections' => ['a']],
            ['name' => 'describe-document'],
            ['name' => 'spread-target'],
            ['name' => 'generate-contents', 'section' => 'a', 'from' => 1, 'to' => 2],
            ['name' => 'refresh-contents', 'section' => 'a'],
            ['name' => 'set-stretch-aside', 'sections' => ['a', 'b'], 'from' => 0, 'to' => 0],
            [
                'name' => 'merge-text',
                'section' => 'a',
                'began' => ['heading' => [], 'body' => []],
                'mine' => ['heading' => [], 'body' => []],
            ],
            ['name' => 'set-up-contents', 'section' => 'a', 'index' => 0],
            ['name' => 'change-contents-line', 'section' => 'a', 'index' => 0, 'line' => 'n00000000001'],
            [
                'name' => 'add-contents-line',
                'section' => 'a',
                'index' => 0,
                'bookmark' => 'n00000000001',
                'words' => 'a',
                'level' => 1,
            ],
            ['name' => 'batch', 'operations' => [['name' => 'promote', 'sections' => ['a']]]],
        ];
        foreach ($requests as $request) {
            yield $request['name'] => [$request];
        }
    }

    /** @param array<string, mixed> $request */
    #[DataProvider('requests')]
    public function testEachNameNeedsJustTheseFields(array $request): void
    {
        $operation = Wire::operation($request);
        $this->addToAssertionCount(1);
        foreach (array_keys(array_diff_key($request, ['name' => 1, 'numbering' => 1])) as $field) {
            try {
                Wire::operation(array_diff_key($request, [$field => 1]));
                self::fail($operation::class . " was read without its “{$field}”.");
            } catch (CoreException $problem) {
                self::assertMatchesRegularExpression('/\A“?[A-Z“a-z].*\.\z/u', $problem->getMessage(), 'one sentence');
            }
        }
    }

    /** The description of the interface is made from the table, so the table must say what is read. */
    public function testTheTableOfFieldsIsWhatIsRead(): void
    {
        $requests = iterator_to_array(self::requests());
        self::assertEqualsCanonicalizing(array_keys(OperationFields::OF), array_keys($requests));
        foreach ($requests as $name => [$request]) {
            $fields = OperationFields::OF[$name];
            $needed = array_keys(array_filter($fields, static fn(string $kind): bool => !str_starts_with($kind, '?')));
            // One paragraph or several: either is needed.
            self::assertEqualsCanonicalizing(
                ['name', ...$needed, ...'make-heading' === $name ? ['block'] : []],
                array_keys($request),
            );
            foreach (array_diff_key($fields, array_flip($needed)) as $field => $kind) {
                try {
                    Wire::operation([...$request, $field => 4.5]);
                    self::fail("“{$field}” of {$name} is not read.");
                } catch (InvalidOperation $problem) {
                    self::assertStringContainsString($field, $problem->getMessage());
                }
            }
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function senseless(): iterable
    {
        foreach ([[1 => 'loud'], [0 => 'strong'], [10 => 'strong'], ['a' => 'strong']] as $looks) {
            yield 'a look that is none: ' . json_encode($looks) => [
                ['name' => 'set-up-contents', 'section' => 'a', 'index' => 0, 'looks' => $looks],
                '“looks” must be a look for each level that it names.',
            ];
        }
        yield 'no name' => [['sections' => ['a']], '“name” must be a text of at most 8,192 bytes.'];
        yield 'a name of nothing' => [['name' => 'shuffle'], 'There is no operation “shuffle”.'];
        yield 'a name without end' => [
            ['name' => str_repeat('x', 200)],
            'There is no operation “' . str_repeat('x', 40) . '”.',
        ];
        yield 'a name of broken bytes' => [['name' => "pro\xffmote"], '“name” must be a text of at most 8,192 bytes.'];
        yield 'one id in place of a list' => [['name' => 'promote', 'sections' => 'a'], '“sections” must be a list.'];
        yield 'a list with keys' => [['name' => 'promote', 'sections' => ['x' => 'a']], '“sections” must be a list.'];
        yield 'a level that is a text' => [
            ['name' => 'set-level', 'sections' => ['a'], 'level' => '2'],
            '“level” must be a whole number.',
        ];
        yield 'level 10' => [
            ['name' => 'set-level', 'sections' => ['a'], 'level' => 10],
            'Level 10 is not allowed: a heading lies between 1 and 9.',
        ];
        yield 'a landing of our own invention' => [
            ['name' => 'move', 'sections' => ['a'], 'landing' => 'beside', 'target' => 'b'],
            '“landing” must be one of “before”, “after”, “inside”.',
        ];
        yield 'an extent of our own invention' => [
            ['name' => 'delete', 'sections' => ['a'], 'extent' => 'half'],
            '“extent” must be one of “branch”, “heading-only”.',
        ];
        yield 'a passage that is said to have moved away' => [
            ['name' => 'set-text-aside', 'section' => 'a', 'from' => 0, 'to' => 2, 'reason' => 'moved-away'],
            '“reason” must be one of “set-aside”, “idea”.',
        ];
        yield 'a stretch that is to lie among the ideas' => [
            [
                'name' => 'replace-stretch',
                'sections' => ['a', 'b'],
                'texts' => [['heading' => [], 'body' => [['type' => 'paragraph']]]],
                'reason' => 'idea',
            ],
            '“reason” must be one of “deleted”, “set-aside”.',
        ];
        yield 'yes in place of true' => [
            ['name' => 'describe-section', 'sections' => ['a'], 'numbered' => 'yes'],
            '“numbered” must be true or false.',
        ];
        yield 'a marker nobody drew' => [
            ['name' => 'describe-section', 'sections' => ['a'], 'marker' => 'skull'],
            '“marker” must be one of “”, “bud”, “leaf”, “thorn”, “berry”, “frost”.',
        ];
        yield 'no lines' => [
            ['name' => 'make-headings', 'lines' => []],
            '“lines” must be a list of at least one object.',
        ];
        yield 'no blocks' => [
            ['name' => 'make-heading', 'section' => 'a', 'blocks' => [], 'level' => 1],
            '“blocks” must be a list of at least one whole number.',
        ];
        yield 'an empty batch' => [
            ['name' => 'batch', 'operations' => []],
            '“operations” must be a list of at least one operation.',
        ];
        yield 'a batch in a batch' => [
            ['name' => 'batch', 'operations' => [['name' => 'batch', 'operations' => []]]],
            '“operations” must be a list of operations, none of them a batch.',
        ];
        yield 'a batch without end' => [
            ['name' => 'batch', 'operations' => array_fill(0, 1001, ['name' => 'promote', 'sections' => ['a']])],
            'One request may hold at most 1000 operations.',
        ];
    }

    /** @param array<string, mixed> $request */
    #[DataProvider('senseless')]
    public function testSenselessRequestsGetOneSentence(array $request, string $sentence): void
    {
        $this->expectExceptionObject(new InvalidOperation($sentence));
        try {
            Wire::operation($request);
        } catch (CoreException $problem) {
            throw new InvalidOperation($problem->getMessage());
        }
    }

    public function testASectionThatIsANumberIsNone(): void
    {
        $this->expectExceptionMessage('“sections” must be a list of section ids.');
        (new OperationReader(new CountingIds()))->read(['name' => 'promote', 'sections' => [7]]);
    }

    public function testAnIdThatIsNoneIsQuotedShort(): void
    {
        $this->expectExceptionMessage('“' . str_repeat('9', 40) . '” is not the id of a section');
        (new OperationReader(new CountingIds()))->read(['name' => 'promote', 'sections' => [str_repeat('9', 5000)]]);
    }
}
