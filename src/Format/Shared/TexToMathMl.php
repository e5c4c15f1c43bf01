<?php

declare(strict_types=1);

namespace Stemmata\Format\Shared;

use Stemmata\Core\Formula\MathMl;
use Symfony\Component\Process\InputStream;
use Symfony\Component\Process\Process;

/**
 * Formulas in TeX as MathML. No library in PHP reads TeX; Temml does, in a process of Node.js that is started with the
 * first formula and serves all that follow.
 */
final class TexToMathMl
{
    private const SECONDS = 10;

    /** @var array<string, string|null> */
    private static array $known = [];
    private static ?Process $process = null;
    private static ?InputStream $input = null;

    /** Cleaned MathML; null for a source that cannot be read as TeX. */
    public static function find(string $source): ?string
    {
        if (!array_key_exists($source, self::$known)) {
            // Of a long document the same few signs come again and again; those of another are not kept for it.
            self::$known = array_slice(self::$known, -500, null, true);
            self::$known[$source] = self::converted($source);
        }

        return self::$known[$source];
    }

    private static function converted(string $source): ?string
    {
        $process = self::process();
        $until = microtime(true) + self::SECONDS;
        self::$input?->write(json_encode($source, \JSON_THROW_ON_ERROR) . "\n");
        for ($answer = ''; !str_ends_with($answer, "\n"); $answer .= $process->getIncrementalOutput()) {
            if (!$process->isRunning() || microtime(true) > $until) {
                $process->stop(0);
                self::$process = null;

                return null;
            }
            usleep(100);
        }
        $made = json_decode($answer, true);
        $math = is_string($made) ? MathMl::findRoot($made) : null;

        return null === $math ? null : MathMl::cleaned($math);
    }

    private static function process(): Process
    {
        if (null !== self::$process && self::$process->isRunning()) {
            return self::$process;
        }
        self::$input = new InputStream();
        self::$process = new Process(['node', __DIR__ . '/tex-to-mathml.mjs'], input: self::$input, timeout: null);
        self::$process->start();

        return self::$process;
    }
}
