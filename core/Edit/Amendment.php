<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Edit;

/** What an edit changes in a show, with what was there before: it can be turned round, and joined with the next one. */
final readonly class Amendment
{
    /**
     * @param array<string, array{was: mixed, is: mixed}> $settings of the show, by name
     * @param array<string, array<string, Change>> $parts by list and id
     */
    public function __construct(public array $settings = [], public array $parts = [])
    {
    }

    public static function between(Contents $was, Contents $is): self
    {
        $settings = $parts = [];
        foreach (array_keys(Contents::SETTINGS) as $name) {
            if ($was->settings[$name] !== $is->settings[$name]) {
                $settings[$name] = ['was' => $was->settings[$name], 'is' => $is->settings[$name]];
            }
        }
        foreach (array_unique([...array_keys($was->lists), ...array_keys($is->lists)]) as $list) {
            foreach (array_keys(($was->lists[$list] ?? []) + ($is->lists[$list] ?? [])) as $id) {
                $change = new Change($was->entry($list, (string) $id), $is->entry($list, (string) $id));
                if (! Entry::areSame($change->was, $change->is)) {
                    $parts[$list][$id] = $change;
                }
            }
        }

        return new self($settings, $parts);
    }

    public function isEmpty(): bool
    {
        return $this->settings === [] && $this->parts === [];
    }

    /** How many parts it touches; the settings of the show count as one. */
    public function count(): int
    {
        return array_sum(array_map(\count(...), $this->parts)) + ($this->settings === [] ? 0 : 1);
    }

    public function inverse(): self
    {
        return new self(
            array_map(static fn(array $one): array => ['was' => $one['is'], 'is' => $one['was']], $this->settings),
            array_map(
                static fn(array $changes): array => array_map(static fn(Change $change): Change => $change->inverse(), $changes),
                $this->parts,
            ),
        );
    }

    /** Both in one, this one first. */
    public function then(self $next): self
    {
        $settings = $this->settings;
        foreach ($next->settings as $name => $one) {
            $settings[$name] = [
                'was' => \array_key_exists($name, $settings) ? $settings[$name]['was'] : $one['was'],
                'is' => $one['is'],
            ];
        }
        $parts = $this->parts;
        foreach ($next->parts as $list => $changes) {
            foreach ($changes as $id => $change) {
                $first = $parts[$list][$id] ?? $change;
                $parts[$list][$id] = new Change($first->was, $change->is);
            }
        }

        return (new self($settings, $parts))->withoutWhatStays();
    }

    /** @return array<string, mixed> for JSON */
    public function toArray(): array
    {
        $parts = [];
        foreach ($this->parts as $list => $changes) {
            foreach ($changes as $id => $change) {
                $parts[$list][$id] = [$change->was?->toArray(), $change->is?->toArray()];
            }
        }

        return [
            'settings' => (object) $this->settings,
            'parts' => (object) array_map(static fn(array $list): object => (object) $list, $parts),
        ];
    }

    /**
     * @param array<mixed> $stored
     *
     * @throws \UnexpectedValueException when it is not what was stored
     */
    public static function fromArray(array $stored): self
    {
        $parts = $settings = [];
        foreach (self::object($stored['settings'] ?? []) as $name => $one) {
            if (! \is_array($one) || ! \array_key_exists('was', $one) || ! \array_key_exists('is', $one)) {
                throw new \UnexpectedValueException("What becomes of \"{$name}\" is not said.");
            }
            $settings[(string) $name] = ['was' => $one['was'], 'is' => $one['is']];
        }
        foreach (self::object($stored['parts'] ?? []) as $list => $changes) {
            foreach (self::object($changes) as $id => $pair) {
                if (! \is_array($pair) || \count($pair) !== 2) {
                    throw new \UnexpectedValueException("What becomes of \"{$id}\" is not said.");
                }
                $parts[(string) $list][(string) $id] = new Change(
                    Entry::fromArray($pair[0] ?? null),
                    Entry::fromArray($pair[1] ?? null),
                );
            }
        }

        return new self($settings, $parts);
    }

    private function withoutWhatStays(): self
    {
        $parts = array_map(
            static fn(array $changes): array => array_filter(
                $changes,
                static fn(Change $change): bool => ! Entry::areSame($change->was, $change->is),
            ),
            $this->parts,
        );

        return new self(
            array_filter($this->settings, static fn(array $one): bool => $one['was'] !== $one['is']),
            array_filter($parts, static fn(array $changes): bool => $changes !== []),
        );
    }

    /** @return array<mixed> */
    private static function object(mixed $value): array
    {
        return \is_array($value) ? $value : throw new \UnexpectedValueException('An object is needed here.');
    }
}
