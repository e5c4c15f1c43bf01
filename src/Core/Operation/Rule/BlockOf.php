<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\Node;

/** Asks of a part whether it is a block whose own content is running text. */
final class BlockOf
{
    public static function text(Node $node): bool
    {
        return BodySchema::isBlock($node->type) &&
            in_array(BodySchema::NODES[$node->type]['content'] ?? null, ['inline*', 'text*'], true);
    }
}
