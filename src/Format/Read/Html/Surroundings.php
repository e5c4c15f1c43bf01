<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

/** What lies around a page: where its addresses lead, and where its pictures are. */
interface Surroundings
{
    /** The name by which all pages know the place with this id. */
    public function anchor(string $id): string;

    /** The address that a link on this page leads to; “#name” for a place in one of the pages read. */
    public function address(string $href): string;

    /** A note that stands on another page, when that is where a reference leads. */
    public function findNote(string $href): ?\DOMElement;

    /** Whether something on another page leads to the place with this id. */
    public function isLedToFromElsewhere(string $id): bool;

    /** @return string a data address for a picture within reach, the address itself for one outside */
    public function picture(string $source): string;
}
