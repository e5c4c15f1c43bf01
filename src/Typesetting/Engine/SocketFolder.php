<?php

declare(strict_types=1);

namespace Stemmata\Typesetting\Engine;

/**
 * Where the service is reached: a folder within the data, which nobody but this user may enter. Whoever else could put a
 * socket there would be sent all texts, and could answer with any pages.
 */
final readonly class SocketFolder
{
    private const NAME = '/typesetting';

    public string $path;

    /** @param string $data the folder of the data */
    public function __construct(string $data)
    {
        $this->path = (realpath($data) ?: $data) . self::NAME;
    }

    /**
     * Looked at before each use.
     *
     * @param bool $isMade when it is not there
     *
     * @return bool whether it is there
     *
     * @throws TypesettingFailed when it is not this user's alone
     */
    public function isSecure(bool $isMade): bool
    {
        if ($isMade && !file_exists($this->path) && !is_link($this->path)) {
            @mkdir($this->path, 0o700);
        }
        clearstatcache(true, $this->path);
        $found = @lstat($this->path);
        if (false === $found) {
            return false;
        }
        // inode(7): a folder, and neither a link nor open to others
        if (
            0o40000 !== ($found['mode'] & 0o170000) ||
            posix_geteuid() !== $found['uid'] ||
            0 !== ($found['mode'] & 0o077)
        ) {
            throw TypesettingFailed::foreign(ltrim(self::NAME, '/'));
        }

        return true;
    }

    /** The socket of a version of the service, by its name in the folder; null when there is none, or one of somebody else. */
    public function findSocket(string $name): ?string
    {
        clearstatcache(true, $this->path . '/' . $name);
        $found = @lstat($this->path . '/' . $name);

        return false !== $found && 0o140000 === ($found['mode'] & 0o170000) && posix_geteuid() === $found['uid']
            ? $name
            : null;
    }

    /**
     * Runs within the folder: a socket's path holds 107 bytes at most (unix(7)), and that of the data may be longer.
     *
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    public function within(\Closure $work): mixed
    {
        $before = getcwd();
        chdir($this->path);
        try {
            return $work();
        } finally {
            chdir(false === $before ? '/' : $before);
        }
    }
}
