<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'file'),
    'lifetime' => 60 * 24 * 7,
    'expire_on_close' => false,
    'encrypt' => false,
    'files' => storage_path('framework/sessions'),
    'lottery' => [2, 100],
    // The port is part of the name: two installations on one host must not log each other out.
    'cookie' => 'junction_'.preg_replace('/\D/', '', (string) (parse_url((string) env('APP_URL', ''), PHP_URL_PORT) ?? '')),
    'path' => '/',
    'domain' => null,
    'secure' => env('SESSION_SECURE_COOKIE'),
    'http_only' => true,
    'same_site' => 'lax',
    'partitioned' => false,
];
