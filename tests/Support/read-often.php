<?php

declare(strict_types=1);

/*
 * Reads and compiles each show document of standard input 300 times, and says how often it came out otherwise than at first.
 * Run with the compiler of hot paths on, as the engine is: a document is read anew with every edit.
 */
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Show\ShowReader;

require __DIR__.'/../../vendor/autoload.php';

$compiler = new Compiler(new Identity(str_repeat('J', 16)));
$answer = ['compiled' => opcache_get_status(false)['jit']['on'] ?? false, 'otherwise' => []];
foreach (json_decode((string) stream_get_contents(STDIN), true, flags: JSON_THROW_ON_ERROR) as $document) {
    $json = json_encode($document, JSON_THROW_ON_ERROR);
    $first = null;
    for ($i = 0; $i < 300; ++$i) {
        try {
            $show = ShowReader::fromJson($json);
            $compiler->compile($show);
            $now = serialize($show);
        } catch (Throwable $broken) {
            $now = $broken->getMessage();
        }
        if ($now !== $first ??= $now) {
            $answer['otherwise'][] = "{$document['name']}, reading {$i}: ".substr($now, 0, 200);
            break;
        }
    }
}
echo json_encode($answer, JSON_THROW_ON_ERROR);
