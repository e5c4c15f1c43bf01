<?php

declare(strict_types=1);

namespace Stemmata\Core\Document;

use Stemmata\Core\Outline\Outline;
use Stemmata\Core\Outline\SectionId;
use Stemmata\Core\Style\Shape;
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
     * @param Shape    $shape  what is said by hand of the look of its heading
     */
    public function __construct(
        public SectionId $id,
        public Heading $heading,
        public Body $body,
        public string $aim = '',
        public ?int $target = null,
        public Marker $marker = Marker::None,
        public Stage $stage = Stage::None,
        public Shape $shape = new Shape(),
    ) {}

    public static function blank(SectionId $id): self
    {
        return new self($id, Heading::none(), Body::empty());
    }

    public function withHeading(Heading $heading): self
    {
        return $this->with(heading: $heading);
    }

    public function withBody(Body $body): self
    {
        return $this->with(body: $body);
    }

    public function withAim(string $aim): self
    {
        return $this->with(aim: $aim);
    }

    public function withTarget(?int $target): self
    {
        return $this->with(target: $target ?? 0);
    }

    public function withMarker(Marker $marker): self
    {
        return $this->with(marker: $marker);
    }

    public function withStage(Stage $stage): self
    {
        return $this->with(stage: $stage);
    }

    public function withShape(Shape $shape): self
    {
        return $this->with(shape: $shape);
    }

    public function copiedAs(SectionId $id): self
    {
        return $this->with(id: $id);
    }

    /** The same with what is named in place of its own. @param int|null $target 0 for none */
    private function with(
        ?SectionId $id = null,
        ?Heading $heading = null,
        ?Body $body = null,
        ?string $aim = null,
        ?int $target = null,
        ?Marker $marker = null,
        ?Stage $stage = null,
        ?Shape $shape = null,
    ): self {
        return new self(
            $id ?? $this->id,
            $heading ?? $this->heading,
            $body ?? $this->body,
            $aim ?? $this->aim,
            0 === $target ? null : $target ?? $this->target,
            $marker ?? $this->marker,
            $stage ?? $this->stage,
            $shape ?? $this->shape,
        );
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
