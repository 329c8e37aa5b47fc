<?php

declare(strict_types=1);

return [
    'default' => env('MAIL_MAILER', 'smtp'),
    'mailers' => [
        'smtp' => [
            'transport' => 'smtp',
            'scheme' => env('MAIL_SCHEME'),
            'host' => env('MAIL_HOST', '127.0.0.1'),
            'port' => env('MAIL_PORT', 25),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
            // A mail server that does not answer is given up.
            'timeout' => 20,
            // A server of the house has a name of its own making: whether its certificate is looked at is the scheme's word.
            'auto_tls' => env('MAIL_USERNAME') !== null,
        ],
        'sendmail' => ['transport' => 'sendmail', 'path' => env('MAIL_SENDMAIL_PATH', '/usr/sbin/sendmail -bs -i')],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'nimble-junction@localhost'), 'name' => 'Nimble Junction'],
];
