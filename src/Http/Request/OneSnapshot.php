<?php

declare(strict_types=1);

namespace Stemmata\Http\Request;

use Doctrine\DBAL\Connection;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\HttpKernel\Event\FinishRequestEvent;

/**
 * Whatever one request reads, it reads as of one moment: an outline must not meet the sections of the change after it.
 * SQLite's write-ahead log gives a reader that snapshot, and no writer waits for it.
 */
final readonly class OneSnapshot
{
    /** The priority with which it ends; what writes at the end of a request comes after it. */
    public const END = 0;

    public function __construct(private Connection $connection) {}

    #[AsEventListener]
    public function begin(ControllerEvent $event): void
    {
        if ($event->isMainRequest() && 'GET' === $event->getRequest()->getMethod()) {
            $this->connection->beginTransaction();
        }
    }

    #[AsEventListener(priority: self::END)]
    public function end(FinishRequestEvent $event): void
    {
        if ($event->isMainRequest() && 'GET' === $event->getRequest()->getMethod()) {
            $this->close();
        }
    }

    /** For a request that has read all it needs and still has long to work: a snapshot that is held keeps the log growing. */
    public function close(): void
    {
        if ($this->connection->isTransactionActive()) {
            $this->connection->rollBack();
        }
    }
}
