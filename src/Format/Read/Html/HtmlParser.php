<?php

declare(strict_types=1);

namespace Stemmata\Format\Read\Html;

use Stemmata\Format\Shared\FormatException;
use Symfony\Component\Process\InputStream;
use Symfony\Component\Process\Process;

/**
 * Pages as trees, parsed as the HTML standard parses them. No library in PHP does so; parse5 does, in a process of
 * Node.js that is started with the first page and serves all that follow (docs/decisions/0011).
 */
final class HtmlParser
{
    /** Memory for the parser's own tree, in megabytes; the reader's process has a limit of its own. */
    private const MEMORY = 320;
    private const SECONDS = 60;
    /** Bytes; no process is kept for more pages after one like that. */
    private const LARGE = 1_000_000;

    private static ?Process $process = null;
    private static ?InputStream $input = null;

    /**
     * @param string $html in UTF-8
     *
     * @throws FormatException
     */
    public static function parsed(string $html): \DOMDocument
    {
        $page = new \DOMDocument();
        $before = libxml_use_internal_errors(true);
        // PARSEHUGE lifts the limit on one long text; depth and characters have been seen to.
        $isRead = $page->loadXML(self::asXml($html), \LIBXML_NONET | \LIBXML_COMPACT | \LIBXML_PARSEHUGE);
        libxml_clear_errors();
        libxml_use_internal_errors($before);

        return $isRead ? $page : throw FormatException::damagedMarkup();
    }

    private static function asXml(string $html): string
    {
        $process = self::process();
        $until = microtime(true) + self::SECONDS;
        self::$input?->write(pack('N', strlen($html)));
        self::$input?->write($html);
        $answer = '';
        while (null === ($page = self::findWhole($answer))) {
            if (!$process->isRunning() || microtime(true) > $until) {
                self::end();
                throw FormatException::tooHard();
            }
            usleep(200);
            $answer .= $process->getIncrementalOutput();
        }

        if (strlen($html) > self::LARGE) {
            // Its memory goes back before the page is gone through.
            self::end();
        }

        return $page;
    }

    /** The page, once all of it has come: its length in four bytes goes before it. */
    private static function findWhole(string $answer): ?string
    {
        $head = strlen($answer) < 4 ? false : unpack('N', $answer);

        return is_array($head) && is_int($head[1]) && strlen($answer) === 4 + $head[1] ? substr($answer, 4) : null;
    }

    private static function process(): Process
    {
        if (null !== self::$process && self::$process->isRunning()) {
            return self::$process;
        }
        self::$input = new InputStream();
        self::$process = new Process(
            ['node', '--max-old-space-size=' . self::MEMORY, __DIR__ . '/html-to-xml.mjs'],
            input: self::$input,
            timeout: null,
        );
        self::$process->start();

        return self::$process;
    }

    private static function end(): void
    {
        self::$process?->stop(0);
        self::$process = null;
    }
}
