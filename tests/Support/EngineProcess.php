<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

/** An engine that runs from a show document alone: no database, no web server. */
final class EngineProcess
{
    private string $file;
    private Background $process;

    /**
     * @param array<string, mixed> $document
     * @param list<string> $options
     * @param array<string, string> $environment
     * @param list<string> $before words before the command, such as "ip netns exec …"
     */
    public function __construct(
        array $document,
        array $options = ['--for=170'],
        array $before = [],
        bool $wait = true,
        array $environment = [],
    ) {
        $this->file = (string) tempnam(sys_get_temp_dir(), 'junction-show-');
        file_put_contents($this->file, json_encode($document, JSON_THROW_ON_ERROR));
        $this->process = new Background(
            [...$before, 'bin/engine-php', 'artisan', 'junction:engine', "--show={$this->file}", ...$options],
            ['JUNCTION_DATA' => '/nonexistent', 'JUNCTION_DEVICES' => '/dev/pts', ...$environment],
        );
        if ($wait) {
            $this->process->untilSaid('The engine runs');
        }
    }

    /**
     * One port in and one out for each protocol, on loopback addresses that begin with $net.
     *
     * @return array<string, mixed>
     */
    public static function document(string $net): array
    {
        return [
            'format' => 'nimble-junction/show', 'version' => 2, 'name' => 'Engine test',
            'values' => [['id' => 'open', 'name' => 'House open', 'type' => 'switch']],
            'universes' => [['id' => 'palm', 'name' => 'Palm House'], ['id' => 'other', 'name' => 'Other']],
            'ports' => [
                ['id' => 'desk', 'name' => 'Desk', 'protocol' => 'art-net', 'receive' => ['address' => "{$net}.1", 'feeds' => [['number' => 1, 'universe' => 'palm']]]],
                ['id' => 'guest', 'name' => 'Guest', 'protocol' => 'sacn', 'receive' => ['address' => "{$net}.1", 'feeds' => [['number' => 1, 'universe' => 'palm'], ['number' => 2, 'universe' => 'other']]]],
                ['id' => 'tablet', 'name' => 'Tablet', 'protocol' => 'osc', 'receive' => ['address' => "{$net}.1", 'port' => 8000], 'send' => ['to' => ["{$net}.5"], 'port' => 9000]],
                ['id' => 'line', 'name' => 'Line', 'protocol' => 'dmx-line', 'send' => ['address' => "{$net}.1", 'to' => ["{$net}.2"], 'port' => 5120, 'carries' => [['number' => 1, 'universe' => 'palm']]]],
                ['id' => 'net', 'name' => 'Net', 'protocol' => 'sacn', 'send' => ['address' => "{$net}.1", 'to' => ["{$net}.3"], 'carries' => [['number' => 7, 'universe' => 'palm'], ['number' => 8, 'universe' => 'other']]]],
                ['id' => 'art', 'name' => 'Art', 'protocol' => 'art-net', 'send' => ['address' => "{$net}.1", 'to' => ["{$net}.4"], 'carries' => [['number' => 3, 'universe' => 'palm']]]],
            ],
            'routes' => [
                [
                    'id' => 'in',
                    'name' => 'In',
                    'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => '/lamp'],
                    'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 5],
                ],
                [
                    'id' => 'out',
                    'name' => 'Out',
                    'from' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 5],
                    'to' => ['kind' => 'message', 'port' => 'tablet', 'address' => '/lamp'],
                ],
            ],
        ];
    }

    public function process(): Background
    {
        return $this->process;
    }

    public function stop(): int
    {
        unlink($this->file);

        return $this->process->stop();
    }
}
