<?php

declare(strict_types=1);

/*
 * Measures, and prints a table in Markdown:  php bench/run.php [NAME…]
 * Every figure is a ratio within this one run, or stands beside what it is a ratio of.
 */

namespace NimbleJunction\Bench;

require __DIR__.'/../vendor/autoload.php';

// Pages and the engine must know one secret, also in processes that are started from here.
$_SERVER['APP_KEY'] = $_ENV['APP_KEY'] = 'base64:'.base64_encode(str_repeat('k', 32));
putenv("APP_KEY={$_SERVER['APP_KEY']}");

$all = [
    'merge' => static fn(): Measurement => new Merge(),
    'parameters' => static fn(): Measurement => new Parameters(),
    'patch' => static fn(): Measurement => new Patched(),
    'routes' => static fn(): Measurement => new Routes(),
    'programme' => static fn(): Measurement => new Programmes(),
    'timelines' => static fn(): Measurement => new Timelines(),
    'messages' => static fn(): Measurement => new Messages(5000, 4.0),
    'messages-minute' => static fn(): Measurement => new Messages(5000, 20.0),
    'steps' => static fn(): Measurement => new Messages(1000, 10.0, true),
    'relay' => static fn(): Measurement => new Relay(64, 2.0),
    'load' => static fn(): Measurement => new Relay(256, 2.0),
    'load-all' => static fn(): Measurement => new Relay(256, 2.0, isAllMoving: true),
    'load-in-use' => static fn(): Measurement => new Relay(256, 2.0, isInUse: true),
    'flood' => static fn(): Measurement => new Flood(4.0),
    'edits' => static fn(): Measurement => new Edits(),
    'large-pages' => static fn(): Measurement => new LargePages(3.0),
    'page' => static fn(): Measurement => new Page(5.0),
    'surfaces' => static fn(): Measurement => new Surfaces(5.0),
    'soak' => static fn(): Measurement => new Soak(60.0),
    'codecs' => static fn(): Measurement => new Codecs(),
    'wear' => static fn(): Measurement => new Wear(),
    'start' => static fn(): Measurement => new Start(8),
    'start-many' => static fn(): Measurement => new Start(256),
];
$unknown = array_diff(\array_slice($argv, 1), [...array_keys($all), 'soak-hour', 'attack']);
if ($unknown !== []) {
    fwrite(STDERR, 'Not known: '.implode(', ', $unknown).'. Known are '.implode(', ', array_keys($all)).".\n");
    exit(2);
}
// An hour's soak and ten minutes' attack are measured only when they are asked for by name.
$all['attack'] = static fn(): Measurement => new Attack(600.0);
$all['soak-hour'] = static fn(): Measurement => new Soak(3600.0);
foreach (\array_slice($argv, 1) ?: array_diff(array_keys($all), ['soak-hour', 'attack']) as $name) {
    $measurement = $all[$name]();
    echo "\n### {$measurement->title()}\n\n| what | figure | aim | met |\n|---|---:|---|---|\n";
    foreach ($measurement->run() as $line) {
        $met = match ($line->met) {
            true => 'yes',
            false => '**no**',
            null => '',
        };
        echo "| {$line->what} | {$line->figure} | {$line->aim} | {$met} |\n";
    }
}
