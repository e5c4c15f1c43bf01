<?php

declare(strict_types=1);

namespace Stemmata\Tests\Core\Operation\Rule;

use PHPUnit\Framework\TestCase;
use Stemmata\Core\Document\Document;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Operation\Rule\TakenBookmark;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Node;
use Stemmata\Tests\Support\Services;

/** A bookmark's name belongs to one place. */
final class TakenBookmarkTest extends TestCase
{
    public function testANameMayStandOnceInATextAndStaysItsOwn(): void
    {
        self::assertNull(self::refusal(0, 'the_lamp'));
        self::assertNull(self::refusal(0, 'the_wick'), 'another name');
        self::assertNull(self::refusal(0, 'the_wick', 'the_oil'), 'two of them');
        self::assertSame(
            'There is a bookmark “the_wick” already, in “Lamps”; give this one another name.',
            self::refusal(0, 'the_wick', 'the_wick'),
        );
    }

    public function testANameOfAnotherSectionIsTaken(): void
    {
        self::assertSame(
            'There is a bookmark “the_lamp” already, in “Lamps”; give this one another name.',
            self::refusal(1, 'the_lamp'),
        );
        self::assertSame(
            'There is a bookmark “the_lamp” already, in “Lamps”; give this one another name.',
            self::refusal(1, 'the_wick', 'the_lamp'),
        );
    }

    /** Why a section cannot hold these bookmarks. */
    private static function refusal(int $position, string ...$names): ?string
    {
        $document = self::document();
        $bookmarks = [];
        foreach (array_values($names) as $index => $name) {
            $bookmarks[] = new Node('bookmark', ['id' => 'mark' . $index, 'name' => $name]);
        }
        $section = $document->sectionAt($position)->withBody(Body::of([Node::paragraph($bookmarks)]));
        $refused = TakenBookmark::findIn($document, $section);

        return $refused instanceof Refused ? $refused->sentence : null;
    }

    private static function document(): Document
    {
        return Services::formats()->read(
            'a.md',
            "# Lamps\n\n<a id=\"the_lamp\" class=\"bookmark\"></a>Lit.\n\n# Gales\n\nBlown.\n",
        )->document;
    }
}
