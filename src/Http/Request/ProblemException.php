<?php

declare(strict_types=1);

namespace Stemmata\Http\Request;

use Symfony\Component\HttpKernel\Exception\HttpException;

/** A request that cannot be served, with one plain sentence for the person behind it. */
final class ProblemException extends HttpException
{
    private function __construct(int $status, public readonly string $reason, string $sentence)
    {
        parent::__construct($status, $sentence);
    }

    public static function malformed(string $sentence): self
    {
        return new self(400, 'malformed', $sentence);
    }

    public static function refused(string $reason, string $sentence): self
    {
        return new self(422, $reason, $sentence);
    }

    /** What was asked for is of a state that the document has left. */
    public static function passed(): self
    {
        return new self(409, 'stale', 'The document has changed since; ask for its newest pages.');
    }

    public static function notFound(string $sentence): self
    {
        return new self(404, 'not-found', $sentence);
    }

    public static function tooLarge(int $limit): self
    {
        return new self(
            413,
            'too-large',
            sprintf('That is more than the %d megabytes that can be read at once.', intdiv($limit, 1024 * 1024)),
        );
    }

    public static function otherOrigin(): self
    {
        return new self(403, 'other-origin', 'Changes are only taken from Stemmata’s own pages.');
    }

    public static function otherHost(): self
    {
        return new self(
            421,
            'other-host',
            'Stemmata does not answer to this name. Whoever set it up can add it to STEMMATA_HOSTS.',
        );
    }

    public static function noLogin(): self
    {
        return new self(
            403,
            'no-login',
            'Stemmata can be reached from other machines here, but no one is asked to log in. Set a login as deploy/README.md says.',
        );
    }
}
