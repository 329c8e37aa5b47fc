<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Connectors\SQLiteConnector;

/** Laravel's own connector, with connections whose transactions take the right to write first. */
final class Connector extends SQLiteConnector
{
    protected function createPdoConnection($dsn, $username, #[\SensitiveParameter] $password, $options): \PDO
    {
        return new WritingFirst($dsn, $username, $password, $options);
    }
}
