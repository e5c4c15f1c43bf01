<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Text\Body;
use Stemmata\Core\Text\Heading;

/**
 * One heading with the text under it and what the writer noted about it. It knows neither its level nor its place: see
 * Outline.
 */
final readonly class Section
{
    /**
     * @param string   $aim    one sentence: what this section must do; empty when not said
     * @param int|null $target words wanted, 1 or more
     */
    public function __construct(
        public SectionId $id,
        public Heading $heading,
        public Body $body,
        public string $aim = '',
        public ?int $target = null,
        public Marker $marker = Marker::None,
    ) {}

    public static function blank(SectionId $id): self
    {
        return new self($id, Heading::none(), Body::empty());
    }

    public function withHeading(Heading $heading): self
    {
        return new self($this->id, $heading, $this->body, $this->aim, $this->target, $this->marker);
    }

    public function withBody(Body $body): self
    {
        return new self($this->id, $this->heading, $body, $this->aim, $this->target, $this->marker);
    }

    public function withAim(string $aim): self
    {
        return new self($this->id, $this->heading, $this->body, $aim, $this->target, $this->marker);
    }

    public function withTarget(?int $target): self
    {
        return new self($this->id, $this->heading, $this->body, $this->aim, $target, $this->marker);
    }

    public function withMarker(Marker $marker): self
    {
        return new self($this->id, $this->heading, $this->body, $this->aim, $this->target, $marker);
    }

    public function copiedAs(SectionId $id): self
    {
        return new self($id, $this->heading, $this->body, $this->aim, $this->target, $this->marker);
    }

    /** How a sentence speaks of it. */
    public function name(): string
    {
        return self::nameOf($this->heading->plainText());
    }

    public static function nameOf(string $heading): string
    {
        return '' === trim($heading) ? 'the section without a heading' : '“' . $heading . '”';
    }
}
