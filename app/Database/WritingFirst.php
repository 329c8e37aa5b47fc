<?php

declare(strict_types=1);

namespace App\Database;

/**
 * SQLite whose transactions take the right to write when they begin, and wait for
 * it: one that first reads and then wants to write is refused at once when another
 * one writes, however long it would wait. Before PHP 8.4 PDO cannot be told so.
 */
final class WritingFirst extends \PDO
{
    private bool $open = false;

    public function beginTransaction(): bool
    {
        $this->exec('BEGIN IMMEDIATE TRANSACTION');

        return $this->open = true;
    }

    /** What is read until it is committed is of one moment. */
    public function beginReading(): void
    {
        $this->exec('BEGIN DEFERRED TRANSACTION');
        $this->open = true;
    }

    public function commit(): bool
    {
        $this->exec('COMMIT');
        $this->open = false;

        return true;
    }

    public function rollBack(): bool
    {
        $this->open = false;
        try {
            $this->exec('ROLLBACK');
        } catch (\PDOException) {
            // With a full disk SQLite has done so itself.
        }

        return true;
    }

    public function inTransaction(): bool
    {
        return $this->open;
    }
}
