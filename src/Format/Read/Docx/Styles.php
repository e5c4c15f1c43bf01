<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Docx;

use Stemmata\Format\Read\Office\ParagraphStyle;
use Stemmata\Format\Read\Package\Xml;
use Stemmata\Format\Read\Package\XmlPart;
use Stemmata\Format\Shared\KindStyle;

/** The styles part (ECMA-376-1, 17.7): each style with what it takes from the styles it is based on. */
final readonly class Styles
{
    /** Half points where a file says nothing (ECMA-376-1, 17.3.2.38). */
    private const DEFAULT_SIZE = 20;

    /**
     * @param array<string, ParagraphStyle> $byId
     * @param string                        $language as the defaults say, or empty
     * @param array<string, string>         $kinds    what kinds of the writer’s own are called, by name
     */
    private function __construct(
        private array $byId,
        private ParagraphStyle $defaults,
        private string $defaultId,
        public string $language,
        public array $kinds = [],
    ) {}

    public static function read(?string $xml): self
    {
        if (null === $xml) {
            return new self([], new ParagraphStyle(size: self::DEFAULT_SIZE), '', '');
        }
        $root = XmlPart::small($xml)->documentElement;
        $own = [];
        $basedOn = [];
        $defaultId = '';
        foreach (null === $root ? [] : Xml::children($root) as $style) {
            $id = Xml::attribute($style, 'styleId');
            if ('style' !== $style->localName || null === $id) {
                continue;
            }
            $own[$id] = Properties::of(
                Xml::child($style, 'pPr'),
                Xml::child($style, 'rPr'),
                Xml::value($style, 'name') ?? $id,
            )->withLevelOfName();
            $basedOn[$id] = Xml::value($style, 'basedOn') ?? '';
            if (
                'paragraph' === Xml::attribute($style, 'type') &&
                in_array(Xml::attribute($style, 'default'), ['1', 'true', 'on'], true)
            ) {
                $defaultId = $id;
            }
        }
        $defaults = null === $root ? null : Xml::child($root, 'docDefaults');
        $run = Xml::child(Xml::child($defaults, 'rPrDefault'), 'rPr');
        $base = (new ParagraphStyle(size: self::DEFAULT_SIZE))->with(
            Properties::of(Xml::child(Xml::child($defaults, 'pPrDefault'), 'pPr'), $run),
        );
        $resolved = [];
        $kinds = [];
        foreach (array_keys($own) as $id) {
            $id = (string) $id;
            $kind = KindStyle::findKind($id);
            if (null !== $kind) {
                $kinds[$kind] = $own[$id]->name;
            }
            // How a kind of the writer’s own looks says nothing of its words.
            $resolved[$id] =
                null === $kind ? self::resolved($id, $own, $basedOn) : new ParagraphStyle($own[$id]->name, kind: $kind);
        }

        return new self($resolved, $base, $defaultId, Xml::attribute(Xml::child($run, 'lang'), 'val') ?? '', $kinds);
    }

    public function paragraph(?string $id): ParagraphStyle
    {
        return $this->defaults->with($this->byId[$id ?? $this->defaultId] ?? new ParagraphStyle($id ?? ''));
    }

    /** A character style says only what it says; the rest is the paragraph's. */
    public function run(?string $id): ?ParagraphStyle
    {
        return null === $id ? null : $this->byId[$id] ?? null;
    }

    /**
     * @param array<string, ParagraphStyle> $own
     * @param array<string, string>         $basedOn
     */
    private static function resolved(string $id, array $own, array $basedOn): ParagraphStyle
    {
        $chain = [];
        // A damaged file may base styles on each other in a ring.
        for ($each = $id; isset($own[$each]) && !isset($chain[$each]); $each = $basedOn[$each]) {
            $chain[$each] = $own[$each];
        }
        $style = new ParagraphStyle();
        foreach (array_reverse($chain) as $each) {
            $style = $style->with($each);
        }

        return $style;
    }
}
