<?php

declare(strict_types=1);

namespace Stemmata\Http\Request;

use Stemmata\Http\Operation\View\Conflict;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * An answer that takes a while, told in lines of JSON: how far it is, and at the end what came of it or what went
 * wrong.
 */
final class ProgressLines
{
    public const MEDIA_TYPE = 'application/x-ndjson';

    public static function areWanted(Request $request): bool
    {
        return str_contains((string) $request->headers->get('Accept'), self::MEDIA_TYPE);
    }

    /**
     * @param \Closure(\Closure(string, int, int): void): object $work is given a function to tell: doing what, how much
     * of how much
     */
    public static function of(\Closure $work): StreamedResponse
    {
        return new StreamedResponse(
            static function () use ($work): void {
                // Who no longer waits ends the work, in a way that leaves nothing half done.
                ignore_user_abort(true);
                $progress = static fn(string $doing, int $done, int $of) => self::line([
                    'doing' => $doing,
                    'done' => $done,
                    'of' => $of,
                ]);
                try {
                    $result = $work($progress);
                    self::line([$result instanceof Conflict ? 'problem' : 'result' => $result]);
                } catch (\Throwable $error) {
                    connection_aborted() || self::line(['problem' => ProblemListener::problemOf($error)]);
                }
            },
            200,
            ['Content-Type' => self::MEDIA_TYPE, 'X-Accel-Buffering' => 'no', 'Cache-Control' => 'no-store'],
        );
    }

    /** @param array<string, mixed> $line */
    private static function line(array $line): void
    {
        echo json_encode($line, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES) . "\n";
        while (ob_get_level() > 0) {
            ob_end_flush();
        }
        flush();
        if (connection_aborted()) {
            throw new \RuntimeException('The one who waited for this has gone.');
        }
    }
}
