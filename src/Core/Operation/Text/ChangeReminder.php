<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Text;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\References;
use Stemmata\Core\Document\Reminder;
use Stemmata\Core\Operation\Applied;
use Stemmata\Core\Operation\Basis;
use Stemmata\Core\Operation\Operation;
use Stemmata\Core\Operation\Refused;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Node;

/** Rewords a reminder, settles it or opens it again. Null leaves a point as it is; empty words take the reminder away. */
final readonly class ChangeReminder implements Operation
{
    public function __construct(
        private SectionId $section,
        private string $reminder,
        private ?string $words = null,
        private ?bool $isSettled = null,
    ) {}

    public function applyTo(Document $document): Applied|Refused
    {
        if (!$document->outline->has($this->section)) {
            return Refused::unknownSection($this->section->value);
        }
        if (strlen((string) $this->words) > Reminder::LONGEST) {
            return Refused::tooLongReminder();
        }
        $section = $document->section($this->section);
        $ids = array_map(static fn(Reminder $reminder): string => $reminder->id, References::in($section)->reminders);
        if (!in_array($this->reminder, $ids, true)) {
            return Refused::unknownReminder();
        }

        return new Applied(
            $document->withSection(
                $section
                    ->withHeading(Heading::ofInline($this->changed($section->heading->inline)))
                    ->withBody($section->body->mapped(fn(Node $node): Node => $this->withChangedContent($node))),
            ),
        );
    }

    public function restsOn(): Basis
    {
        return Basis::text($this->section);
    }

    public function describe(Document $before): string
    {
        return match (true) {
            '' === $this->words => 'Took a reminder away',
            null !== $this->words => 'Reworded a reminder',
            true === $this->isSettled => 'Settled a reminder',
            default => 'Opened a reminder again',
        };
    }

    private function withChangedContent(Node $node): Node
    {
        $content = $this->changed($node->content);

        return $content === $node->content ? $node : $node->withContent($content);
    }

    /**
     * @param list<Node> $content
     *
     * @return list<Node>
     */
    private function changed(array $content): array
    {
        $changed = [];
        foreach ($content as $node) {
            $reminder = Reminder::findIn($node);
            if ($reminder?->id !== $this->reminder) {
                $changed[] = $node;
            } elseif ('' !== $this->words) {
                $changed[] = (new Reminder(
                    $reminder->id,
                    $this->words ?? $reminder->words,
                    $this->isSettled ?? $reminder->isSettled,
                ))->node();
            }
        }

        return $changed == $content ? $content : $changed;
    }
}
