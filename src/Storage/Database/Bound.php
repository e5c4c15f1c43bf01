<?php

declare(strict_types=1);

namespace Stemmata\Storage\Database;

use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Statement;

/** Runs a prepared statement over and over, each value bound as what it is. */
final class Bound
{
    /** @param list<string|int|null> $values */
    public static function run(Statement $statement, array $values): void
    {
        foreach ($values as $index => $value) {
            $statement->bindValue($index + 1, $value, is_int($value) ? ParameterType::INTEGER : ParameterType::STRING);
        }
        $statement->executeStatement();
    }
}
