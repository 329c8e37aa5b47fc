<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/**
 * Several reads of one moment: what others write meanwhile is not seen, and they do not wait for it. Nothing is written
 * within.
 */
final class OneMoment
{
    /**
     * @template T
     *
     * @param \Closure(): T $read
     *
     * @return T
     */
    public static function of(\Closure $read): mixed
    {
        $pdo = DB::connection()->getPdo();
        if (! $pdo instanceof WritingFirst || $pdo->inTransaction()) {
            return $read();
        }
        $pdo->beginReading();
        try {
            return $read();
        } finally {
            $pdo->commit();
        }
    }
}
