<?php

declare(strict_types=1);

return [
    'default' => env('LOG_CHANNEL', 'stack'),
    'channels' => [
        // What cannot be written down, with a full disk for one, must not be a fault of its own.
        'stack' => ['driver' => 'stack', 'channels' => ['single'], 'ignore_exceptions' => true],
        'single' => [
            'driver' => 'single',
            'path' => storage_path('logs/laravel.log'),
            'level' => env('LOG_LEVEL', 'debug'),
            'replace_placeholders' => true,
        ],
        'emergency' => ['path' => storage_path('logs/laravel.log')],
    ],
];
