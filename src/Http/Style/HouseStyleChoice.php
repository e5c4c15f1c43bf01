<?php

declare(strict_types=1);

namespace Stemmata\Http\Style;

use Stemmata\Core\Operation\Detail\UseHouseStyle;
use Stemmata\Core\Operation\Detail\UseStyleSheet;
use Stemmata\Core\Style\HouseStyles;
use Stemmata\Storage\Desk\KeptHouseStyles;

/** What giving a document one of the house styles of the desk would do. */
final readonly class HouseStyleChoice
{
    public function __construct(private KeptHouseStyles $kept) {}

    /** @param string $id the name of one that ships, or the id of one of the writer’s own; null for neither */
    public function findUse(string $id): UseHouseStyle|UseStyleSheet|null
    {
        if (null !== HouseStyles::find($id)) {
            return new UseHouseStyle($id);
        }
        $sheet = $this->kept->find($id);

        return null === $sheet ? null : new UseStyleSheet($sheet);
    }
}
