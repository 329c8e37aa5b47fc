<?php

declare(strict_types=1);

return [
    /* Which version this is. */
    'version' => trim((string) file_get_contents(dirname(__DIR__).'/VERSION')),

    /* Where shows, the engine's state and its control socket are kept. */
    'data' => env('JUNCTION_DATA', storage_path('app/junction')),

    /* Address of the engine's live link, as the engine listens to it. */
    'live' => env('JUNCTION_LIVE', '127.0.0.1:8081'),

    /* How a page reaches it: a path of the page's own host ("/live"), another port of it (":8081"), or a whole ws:// or wss:// address. */
    'live_url' => env('JUNCTION_LIVE_URL') ?: '/live',

    /* Live link of the stand-ins; empty where there are none. */
    'stand_ins' => env('JUNCTION_STAND_INS', ''),

    /* Pages from other hosts that may open a live link ("https://junction.example"), with commas or spaces between. */
    'origins' => array_map(
        static fn(string $origin): string => strtolower(rtrim($origin, '/')),
        preg_split('/[\s,]+/', (string) env('JUNCTION_ORIGINS', ''), -1, PREG_SPLIT_NO_EMPTY) ?: [],
    ),

    /* A folder in the machine's memory for what changes all the time; systemd makes one for the engine's service. */
    'runtime' => env('JUNCTION_RUNTIME', explode(':', (string) env('RUNTIME_DIRECTORY', ''))[0]),

    /* Folders whose FIFOs and links to devices a show may name, with spaces between; "devices" in the data folder is always one. */
    'devices' => preg_split('/\s+/', (string) env('JUNCTION_DEVICES', ''), -1, PREG_SPLIT_NO_EMPTY) ?: [],

    /* Networks that nobody is called in by TCP, whatever a show says ("192.168.0.0/16"), with spaces between. */
    'forbidden' => array_values(array_filter(
        preg_split('/[\s,]+/', (string) env('JUNCTION_FORBIDDEN_NETWORKS', '')) ?: [],
        static fn(string $network): bool => preg_match('#^\d{1,3}(\.\d{1,3}){3}(/([0-9]|[12][0-9]|3[0-2]))?$#D', $network) === 1,
    )),

    /* A port that is in trouble for so many seconds is an alarm; 0 for never. */
    'alarm_seconds' => env('JUNCTION_ALARM_SECONDS', 0),

    /* Who is told of alarms by mail; '' for nobody. How mail leaves: MAIL_HOST and MAIL_PORT, MAIL_USERNAME and MAIL_PASSWORD. */
    'alarm_mail' => env('JUNCTION_ALARM_MAIL', ''),

    /* A word that a monitor on another machine shows to read /metrics, as "Authorization: Bearer …"; '' for this machine alone. */
    'metrics_token' => env('JUNCTION_METRICS_TOKEN', ''),

    /* First three numbers of the loopback addresses that the demo's stand-ins use. */
    'loopback' => env('JUNCTION_LOOPBACK', '127.0.0'),
];
