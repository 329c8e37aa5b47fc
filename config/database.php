<?php

declare(strict_types=1);

return [
    'default' => 'sqlite',
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('JUNCTION_DATA', storage_path('app/junction')).'/shows.sqlite',
            'prefix' => '',
            'foreign_key_constraints' => true,
            // Many may save at once: each waits for its turn, as long as a person would.
            'busy_timeout' => 30000,
            'journal_mode' => 'wal',
            'synchronous' => 'normal',
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => true],
];
