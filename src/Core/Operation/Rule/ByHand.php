<?php

declare(strict_types=1);

namespace Stemmata\Core\Operation\Rule;

use Stemmata\Core\Document\Document;
use Stemmata\Core\Document\Section;
use Stemmata\Core\Style\Shape;
use Stemmata\Core\Style\TextKind;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\BodySchema;
use Stemmata\Core\Text\Heading;
use Stemmata\Core\Text\Mark;
use Stemmata\Core\Text\Node;

/** What is shaped by hand in a document, and what becomes of it. */
final readonly class ByHand
{
    /** @param \Closure(string, Shape): Shape $becomes what is said by hand of something of a kind, and what is said then */
    private function __construct(private \Closure $becomes) {}

    /**
     * @param \Closure(string, Shape): Shape $becomes
     *
     * @return list<Section> those that are changed by it
     */
    public static function changed(Document $document, \Closure $becomes): array
    {
        $rule = new self($becomes);
        $changed = [];
        foreach ($document->references() as $position => $references) {
            if (0 === $references->byHand) {
                continue;
            }
            $section = $document->sectionAt($position);
            $shaped = $rule->section($section, $document->outline->levelAt($position)->value);
            if ($shaped != $section) {
                $changed[] = $shaped;
            }
        }

        return $changed;
    }

    private function section(Section $section, int $level): Section
    {
        $blocks = [];
        foreach ($section->body->blocks as $index => $block) {
            $around = 0 === $index && $level > 0 ? TextKind::FirstParagraph : TextKind::Body;
            $blocks[] = $this->block($block, $around, 0);
        }
        $heading = $level > 0 ? TextKind::Heading->named($level) : TextKind::Body->value;

        return $section
            ->withShape($this->shape($heading, $section->shape))
            ->withHeading(Heading::ofInline($this->words($section->heading->inline)))
            ->withBody(Body::of($blocks));
    }

    private function block(Node $block, TextKind $around, int $depth): Node
    {
        if ('paragraph' === $block->type) {
            $shape = $this->shape($block->kind() ?? $around->atDepth($depth), $block->shape());
            $attributes = array_diff_key($block->attributes, ['shape' => true]);
            $block = $block->withAttributes(
                $shape->isEmpty() ? $attributes : [...$attributes, 'shape' => $shape->written()],
            );
        }
        if (!BodySchema::holdsBlocks($block->type)) {
            return $block->withContent($this->words($block->content));
        }
        $within = TextKind::within($block->type, $around);
        $deeper = $depth + ('listItem' === $block->type ? 1 : 0);

        return $block->withContent(
            array_map(fn(Node $child): Node => $this->block($child, $within, $deeper), $block->content),
        );
    }

    /**
     * @param list<Node> $inline
     *
     * @return list<Node>
     */
    private function words(array $inline): array
    {
        return Node::joined(
            array_map(function (Node $part): Node {
                $part = [] === $part->content ? $part : $part->withContent($this->words($part->content));
                if (null === $part->findMark('shape')) {
                    return $part;
                }
                $kind = $part->findMark('kind')?->attribute('name');
                $shape = $this->shape(is_string($kind) ? $kind : '', $part->shape());
                $marks = [];
                foreach ($part->marks as $mark) {
                    if ('shape' !== $mark->type) {
                        $marks[] = $mark;
                    } elseif (!$shape->isEmpty()) {
                        $marks[] = new Mark('shape', ['said' => $shape->written()]);
                    }
                }

                return $part->withMarks($marks);
            }, $inline),
        );
    }

    private function shape(string $kind, Shape $shape): Shape
    {
        return $shape->isEmpty() ? $shape : ($this->becomes)($kind, $shape);
    }
}
