<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Text\Node;

/**
 * Words that stand where text is still to come, so that one sees how much room it will take. A paragraph is filler as long
 * as it says exactly these; whoever writes into it makes it text. It is not counted, and is a finding.
 *
 * The words are Cicero’s, De finibus bonorum et malorum 1.10.32–33, written down from memory; that such words fill a page
 * is common practice.
 */
final class Filler
{
    public const PARAGRAPHS = [
        'Sed ut perspiciatis, unde omnis iste natus error sit voluptatem accusantium doloremque laudantium, totam rem aperiam eaque ipsa, quae ab illo inventore veritatis et quasi architecto beatae vitae dicta sunt, explicabo.',
        'Nemo enim ipsam voluptatem, quia voluptas sit, aspernatur aut odit aut fugit, sed quia consequuntur magni dolores eos, qui ratione voluptatem sequi nesciunt, neque porro quisquam est, qui dolorem ipsum, quia dolor sit, amet, consectetur, adipisci velit.',
        'Ut enim ad minima veniam, quis nostrum exercitationem ullam corporis suscipit laboriosam, nisi ut aliquid ex ea commodi consequatur? Quis autem vel eum iure reprehenderit, qui in ea voluptate velit esse, quam nihil molestiae consequatur?',
        'At vero eos et accusamus et iusto odio dignissimos ducimus, qui blanditiis praesentium voluptatum deleniti atque corrupti, quos dolores et quas molestias excepturi sint, obcaecati cupiditate non provident. Et harum quidem rerum facilis est et expedita distinctio.',
        'Nam libero tempore, cum soluta nobis est eligendi optio, cumque nihil impedit, quo minus id, quod maxime placeat, facere possimus, omnis voluptas assumenda est, omnis dolor repellendus. Itaque earum rerum hic tenetur a sapiente delectus.',
    ];

    public static function is(Node $block): bool
    {
        return 'paragraph' === $block->type && in_array($block->plainText(), self::PARAGRAPHS, true);
    }
}
