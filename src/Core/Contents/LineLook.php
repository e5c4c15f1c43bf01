<?php

declare(strict_types=1);

namespace Stemmata\Core\Contents;

/** How the lines of one level of contents look, where the writer wants them otherwise than the house style has them. */
enum LineLook: string
{
    case Strong = 'strong';
    case Regular = 'regular';
    case Italic = 'italic';
    case Small = 'small';

    /** Of the size that the house style gives. */
    public const SMALL = 0.85;

    public function css(): string
    {
        return match ($this) {
            self::Strong => 'font-weight: 700',
            self::Regular => 'font-weight: 400; font-style: normal',
            self::Italic => 'font-style: italic',
            self::Small => sprintf('font-size: %sem', self::SMALL),
        };
    }

    /**
     * Looks by level, as they are kept.
     *
     * @return array<int, self> by level, 1 to 9; what cannot be read is not there
     */
    public static function byLevel(mixed $kept): array
    {
        $looks = [];
        foreach (is_array($kept) ? $kept : [] as $level => $name) {
            $look = is_string($name) ? self::tryFrom($name) : null;
            if (null !== $look && is_int($level) && $level >= 1 && $level <= 9) {
                $looks[$level] = $look;
            }
        }
        ksort($looks);

        return $looks;
    }
}
