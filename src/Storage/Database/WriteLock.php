<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

use Doctrine\DBAL\Exception\DriverException;
use Doctrine\ORM\EntityManagerInterface;
use Stemmata\Core\Operation\Refused;

/**
 * The one way to write. SQLite lets one connection write at a time; here that lock is taken before anything is read,
 * and
 * whatever was read earlier is forgotten, so no write can rest on a state that is no longer there.
 * `tests/ArchitectureTest.php` holds that nothing else begins a transaction or flushes.
 */
final class WriteLock
{
    private bool $isHeld = false;

    public function __construct(private readonly EntityManagerInterface $entities) {}

    /**
     * Runs the work as one transaction. Within another one it becomes a part of that. An answer that says no
     * (`Refused`, `NothingWritten`) takes back what was written, as an exception does.
     *
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    public function holding(\Closure $work): mixed
    {
        if ($this->isHeld) {
            return $work();
        }
        $connection = $this->entities->getConnection();
        $connection->beginTransaction();
        $this->isHeld = true;
        try {
            // The first statement writes: SQLite takes its lock for it, and waits for others here and nowhere else.
            $connection->executeStatement('UPDATE commit_count SET commits = commits + 1');
            $this->entities->clear();
            $outcome = $work();
            if ($outcome instanceof Refused || $outcome instanceof NothingWritten) {
                $this->takeBack();
            } else {
                $this->entities->flush();
                $connection->commit();
            }

            return $outcome;
        } catch (\Throwable $error) {
            $this->takeBack();
            throw $error;
        } finally {
            $this->isHeld = false;
        }
    }

    /**
     * One portion of work that comes in many: afterwards the lock is left alone for as long as it was held, for whoever
     * waits
     * for it looks only now and then.
     *
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    public function holdingInTurn(\Closure $work): mixed
    {
        $started = hrtime(true);
        $outcome = $this->holding($work);
        usleep(intdiv(hrtime(true) - $started, 1000));

        return $outcome;
    }

    /**
     * Reads as of one moment; no writer waits for it.
     *
     * @template T
     *
     * @param \Closure(): T $work
     *
     * @return T
     */
    public function reading(\Closure $work): mixed
    {
        $connection = $this->entities->getConnection();
        if ($this->isHeld || $connection->isTransactionActive()) {
            return $work();
        }
        $connection->beginTransaction();
        try {
            $this->entities->clear();

            return $work();
        } finally {
            $connection->rollBack();
        }
    }

    private function takeBack(): void
    {
        $this->entities->clear();
        $connection = $this->entities->getConnection();
        try {
            if ($connection->isTransactionActive()) {
                $connection->rollBack();
            }
        } catch (DriverException) {
            // SQLite has gone back by itself, as it does where the disk is full; PDO learns of it below.
        }
        $native = $connection->getNativeConnection();
        if (!($native instanceof \PDO) || !$native->inTransaction()) {
            return;
        }
        try {
            $native->rollBack();
        } catch (\PDOException) {
            // https://www.sqlite.org/lang_transaction.html, “Response To Errors Within A Transaction”
            $native->exec('BEGIN');
            $native->rollBack();
        }
    }
}
