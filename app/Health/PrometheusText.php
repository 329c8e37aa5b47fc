<?php

declare(strict_types=1);

namespace App\Health;

/**
 * Figures as text for a monitor that comes and reads them.
 *
 * Source: Prometheus exposition format, version 0.0.4 (from memory): "# HELP" and "# TYPE" before the samples of a name, labels
 * in quotes with \\, \" and \n escaped, a number, a line feed.
 */
final class PrometheusText
{
    public const MEDIA_TYPE = 'text/plain; version=0.0.4; charset=utf-8';

    private string $text = '';

    /** @param array<string, mixed>|null $engine what the engine says of itself (Vitals) */
    public static function of(Health $health, ?array $engine): string
    {
        $text = new self();
        $text->write(
            'junction_engine_up',
            'gauge',
            'Whether the engine answers.',
            [[[], $engine === null || $engine === [] ? 0 : 1]],
        );
        $text->write(
            'junction_version_info',
            'gauge',
            'Versions of what runs.',
            [[['web' => $health->version(), 'engine' => (string) ($engine['version'] ?? '')], 1]],
        );
        $text->write('junction_disk_free_bytes', 'gauge', 'Room where data is kept.', [[[], $health->room() ?? 0]]);
        foreach ([
            'startedAt' => ['junction_engine_start_time_seconds', 'When the engine began, in seconds since 1970.'],
            'universes' => ['junction_universes', 'Universes of the show in force.'],
            'pages' => ['junction_pages', 'Pages that are open.'],
            'descriptors' => ['junction_engine_open_files', 'Open files and sockets of the engine.'],
            'memory' => ['junction_engine_memory_bytes', 'Memory of the engine.'],
            'late' => [
                'junction_engine_late_seconds',
                'The longest that anything had to wait for the engine in the last minute.',
            ],
        ] as $key => [$name, $help]) {
            if (is_numeric($engine[$key] ?? null)) {
                $text->write($name, 'gauge', $help, [[[], $engine[$key] + 0]]);
            }
        }
        foreach ([
            'faults' => ['junction_engine_faults_total', 'Faults of the program itself.'],
            'adoptions' => ['junction_engine_shows_total', 'How often a show was taken on.'],
        ] as $key => [$name, $help]) {
            if (is_numeric($engine[$key] ?? null)) {
                $text->write($name, 'counter', $help, [[[], $engine[$key] + 0]]);
            }
        }
        $text->ports(Health::ports($engine));

        return $text->text;
    }

    /** @param array<string, array<string, mixed>> $ports */
    private function ports(array $ports): void
    {
        $labels = static fn(string $id, array $port): array => [
            'port' => $id,
            'name' => (string) ($port['name'] ?? ''),
            'protocol' => (string) ($port['protocol'] ?? ''),
        ];
        $states = [];
        foreach ($ports as $id => $port) {
            $states[] = [[...$labels($id, $port), 'state' => (string) ($port['state'] ?? '')], 1];
        }
        $this->write('junction_port_state', 'gauge', 'In which state a port is.', $states);
        foreach ([
            'received' => 'Packets that came',
            'sent' => 'Packets that left',
            'lost' => 'Packets that never came',
            'refused' => 'Packets that were refused',
        ] as $key => $help) {
            $samples = [];
            foreach ($ports as $id => $port) {
                $samples[] = [$labels($id, $port), is_numeric($port[$key] ?? null) ? $port[$key] + 0 : 0];
            }
            $this->write("junction_port_{$key}_packets_total", 'counter', "{$help}.", $samples);
        }
    }

    /** @param list<array{array<string, string>, int|float}> $samples labels and value */
    private function write(string $name, string $type, string $help, array $samples): void
    {
        if ($samples === []) {
            return;
        }
        $this->text .= "# HELP {$name} {$help}\n# TYPE {$name} {$type}\n";
        foreach ($samples as [$labels, $value]) {
            $pairs = [];
            foreach ($labels as $label => $words) {
                $pairs[] = $label.'="'.strtr($words, ['\\' => '\\\\', '"' => '\\"', "\n" => '\\n']).'"';
            }
            $this->text .= $name.($pairs === [] ? '' : '{'.implode(',', $pairs).'}')." {$value}\n";
        }
    }
}
