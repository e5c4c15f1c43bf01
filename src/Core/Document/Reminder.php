<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Text\Node;

/**
 * What the writer wants to be reminded of at a place of the text, such as “still to add the table of 1890”. It travels
 * with the words around it and is no part of them: neither counted nor found nor written to any file.
 */
final readonly class Reminder
{
    public const TYPE = 'reminder';
    /** Bytes of its words. */
    public const LONGEST = 4096;

    public function __construct(public string $id, public string $words, public bool $isSettled) {}

    /** The reminder that a part of a text is; null for any other part. */
    public static function findIn(Node $node): ?self
    {
        return self::TYPE === $node->type
            ? new self($node->textAttribute('id'), $node->textAttribute('words'), true === $node->attribute('settled'))
            : null;
    }

    public function node(): Node
    {
        return new Node(self::TYPE, [
            'id' => $this->id,
            'words' => $this->words,
            ...$this->isSettled ? ['settled' => true] : [],
        ]);
    }
}
