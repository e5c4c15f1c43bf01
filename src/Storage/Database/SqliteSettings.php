<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsMiddleware;
use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/**
 * Sets each connection to SQLite up for several workers at once, with every commit on the disk before it is
 * acknowledged.
 */
#[AsMiddleware]
final class SqliteSettings implements Middleware
{
    public function wrap(Driver $driver): Driver
    {
        return new class ($driver) extends AbstractDriverMiddleware {
            public function connect(#[\SensitiveParameter] array $params): Connection
            {
                // A worker keeps a connection for each name and user (docs/decisions/0010). A file put in the
                // database's place has
                // another number on the disk, and so gets a connection of its own; SQLite itself knows no users.
                $path = $params['path'] ?? '';
                clearstatcache(true, $path);
                $connection = parent::connect(['user' => (string) @fileinode($path)] + $params);
                // Workers wait up to ten seconds for each other's writes.
                $connection->exec(
                    'PRAGMA busy_timeout = 10000; PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON',
                );

                return $connection;
            }
        };
    }
}
