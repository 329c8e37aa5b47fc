<?php

declare(strict_types=1);

namespace NimbleJunction\Bench\Support;

/** A show document in a file, for an engine under measurement. */
final readonly class Show
{
    public string $file;

    /** @param array<string, mixed> $parts universes, ports and whatever else */
    public function __construct(array $parts)
    {
        $this->file = (string) tempnam(sys_get_temp_dir(), 'junction-bench-');
        file_put_contents(
            $this->file,
            json_encode(['format' => 'nimble-junction/show', 'version' => 1, 'name' => 'Bench', ...$parts], \JSON_THROW_ON_ERROR),
        );
    }

    /**
     * So many universes that come in by Art-Net and go out by Art-Net.
     *
     * @return array<string, mixed>
     */
    public static function through(int $universes, string $net): array
    {
        $numbers = range(0, $universes - 1);
        $links = array_map(static fn(int $number): array => ['number' => $number, 'universe' => "u{$number}"], $numbers);

        return [
            'universes' => array_map(
                static fn(int $number): array => ['id' => "u{$number}", 'name' => "Universe {$number}"],
                $numbers,
            ),
            'ports' => [
                [
                    'id' => 'desks',
                    'name' => 'Desks',
                    'protocol' => 'art-net',
                    'receive' => ['address' => "{$net}.1", 'feeds' => $links],
                ],
                [
                    'id' => 'node',
                    'name' => 'Node',
                    'protocol' => 'art-net',
                    'send' => ['address' => "{$net}.1", 'to' => ["{$net}.21"], 'carries' => $links],
                ],
            ],
        ];
    }

    public function delete(): void
    {
        unlink($this->file);
    }
}
