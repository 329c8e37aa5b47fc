<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** Reads one object of a show document field by field, and remembers all that is wrong with it. */
final class Fields
{
    private const ID_PATTERN = '/^[a-z0-9][a-z0-9-]{0,59}$/D';
    private const ID_RULE = 'Use 1 to 60 small letters, digits and hyphens.';

    /** As the system names them: at most 15 characters (Linux, IFNAMSIZ). A number alone is no name. */
    private const ADAPTER_PATTERN = '/^[A-Za-z][A-Za-z0-9._-]{0,14}$/D';

    /** @var array<string, true> */
    private array $asked = [];

    /**
     * @param array<mixed> $fields
     * @param \ArrayObject<int, Fault> $faults
     */
    public function __construct(
        private readonly array $fields,
        public readonly string $path,
        private readonly \ArrayObject $faults,
    ) {
    }

    public function fault(string $name, string $problem, string $allowed): void
    {
        $this->faults[] = new Fault($name === '' ? $this->path : "{$this->path}/{$name}", $problem, $allowed);
    }

    public function has(string $name): bool
    {
        $this->asked[$name] = true;

        return isset($this->fields[$name]);
    }

    public function string(string $name, int $longest = 120): string
    {
        $value = $this->take($name);
        if (! \is_string($value) || trim($value) === '' || mb_strlen($value) > $longest) {
            $this->fault($name, $this->was($value), "A text of 1 to {$longest} characters is needed.");

            return '';
        }

        return $value;
    }

    public function matching(string $name, string $pattern, string $allowed): string
    {
        $value = $this->take($name);
        if (! \is_string($value) || preg_match($pattern, $value) !== 1) {
            $this->fault($name, $this->was($value), $allowed);

            return '';
        }

        return $value;
    }

    public function id(string $name = 'id'): string
    {
        return $this->matching($name, self::ID_PATTERN, self::ID_RULE);
    }

    /** @return list<string> */
    public function ids(string $name, int $most): array
    {
        return $this->texts(
            $name,
            $most,
            static fn(string $text): bool => preg_match(self::ID_PATTERN, $text) === 1,
            self::ID_RULE,
        );
    }

    /** @param list<string> $words */
    public function word(string $name, array $words, ?string $default = null): string
    {
        $value = $this->take($name, $default);
        if (! \in_array($value, $words, true)) {
            $this->fault($name, $this->was($value), 'Use one of: '.implode(', ', $words).'.');

            return $words[0] ?? '';
        }

        return $value;
    }

    public function whole(string $name, int $lowest, int $highest, ?int $default = null): int
    {
        $value = $this->take($name, $default);
        if (! \is_int($value) || $value < $lowest || $value > $highest) {
            $this->fault($name, $this->was($value), "Use a whole number from {$lowest} to {$highest}.");

            return $default ?? $lowest;
        }

        return $value;
    }

    public function number(string $name, float $default): float
    {
        $value = $this->take($name, $default);
        if (! (\is_int($value) || \is_float($value)) || abs($value) > 1e9) {
            $this->fault($name, $this->was($value), 'Use a number from -1000000000 to 1000000000.');

            return $default;
        }

        return (float) $value;
    }

    public function within(string $name, float $lowest, float $highest, float $default): float
    {
        $value = $this->take($name, $default);
        if (! (\is_int($value) || \is_float($value)) || $value < $lowest || $value > $highest) {
            $this->fault($name, $this->was($value), "Use a number from {$lowest} to {$highest}.");

            return $default;
        }

        return (float) $value;
    }

    public function flag(string $name, bool $default): bool
    {
        $value = $this->take($name, $default);
        if (! \is_bool($value)) {
            $this->fault($name, $this->was($value), 'Use true or false.');

            return $default;
        }

        return $value;
    }

    public function address(string $name, ?string $default = null): string
    {
        $value = $this->take($name, $default);
        if (! \is_string($value) || ! self::isAddress($value)) {
            $this->fault(
                $name,
                $this->was($value),
                'Use an IPv4 address: four numbers from 0 to 255 with points between, like 192.168.1.10.',
            );

            return $default ?? '0.0.0.0';
        }

        return $value;
    }

    /** One of our own addresses, or the name of one of our network adapters, which has whatever address it has. */
    public function ourAddress(string $name, string $default): string
    {
        $value = $this->take($name, $default);
        if (! \is_string($value) || (! self::isAddress($value) && preg_match(self::ADAPTER_PATTERN, $value) !== 1)) {
            $this->fault(
                $name,
                $this->was($value),
                'Use one of our own IPv4 addresses, like 192.168.1.10, 0.0.0.0 for all, or the name of a network adapter, like eth0.',
            );

            return $default;
        }

        return $value;
    }

    /** @return list<string> */
    public function addresses(string $name, int $most): array
    {
        return $this->texts($name, $most, self::isAddress(...), 'Use an IPv4 address, like 192.168.1.10.');
    }

    /** @return list<string> IPv4 addresses and networks ("10.0.0.0/8") */
    public function networks(string $name, int $most): array
    {
        return $this->texts($name, $most, static function (string $text): bool {
            [$address, $bits] = explode('/', $text, 2) + [1 => '32'];

            return self::isAddress($address) && preg_match('/^\d{1,2}$/D', $bits) === 1 && (int) $bits <= 32;
        }, 'Use an IPv4 address or a network, like 192.168.1.10 or 192.168.1.0/24.');
    }

    /** @return list<float> */
    public function numbers(string $name, int $most, float $lowest, float $highest): array
    {
        $value = $this->take($name, []);
        $list = \is_array($value) && array_is_list($value) ? $value : null;
        if ($list === null || \count($list) > $most) {
            $this->fault($name, $this->was($value), "Use a list of at most {$most} numbers from {$lowest} to {$highest}.");

            return [];
        }
        $numbers = [];
        foreach ($list as $i => $one) {
            if ((\is_int($one) || \is_float($one)) && $one >= $lowest && $one <= $highest) {
                $numbers[] = (float) $one;
            } else {
                $this->fault("{$name}/{$i}", $this->was($one), "Use a number from {$lowest} to {$highest}.");
            }
        }

        return $numbers;
    }

    /** @return list<string> */
    public function phrases(string $name, int $most, int $longest): array
    {
        $fits = static fn(string $text): bool => trim($text) !== '' && mb_strlen($text) <= $longest;

        return $this->texts($name, $most, $fits, "A text of 1 to {$longest} characters is needed.");
    }

    /** A number, a text, or true and false as 1 and 0. */
    public function value(string $name): int|float|string
    {
        $value = $this->take($name);
        if (\is_bool($value)) {
            return (int) $value;
        }
        if (\is_int($value) || \is_float($value) || (\is_string($value) && mb_strlen($value) <= 1000)) {
            return $value;
        }
        $this->fault($name, $this->was($value), 'Use a number, a text, true or false.');

        return 0;
    }

    /** Whether it is true or false. */
    public function isTruth(string $name): bool
    {
        return \is_bool($this->fields[$name] ?? null);
    }

    public function isList(string $name): bool
    {
        return \is_array($this->fields[$name] ?? null) && array_is_list($this->fields[$name]);
    }

    public function isEmpty(string $name): bool
    {
        return ($this->fields[$name] ?? []) === [];
    }

    /** How many faults have been found so far, here and elsewhere in the document. */
    public function faults(): int
    {
        return \count($this->faults);
    }

    /** What is left over here is not looked at: it could only be known with what is wrong already. */
    public function leave(): void
    {
        foreach (array_keys($this->fields) as $name) {
            $this->asked[(string) $name] = true;
        }
    }

    /** @return list<int> */
    public function wholes(string $name, int $most, int $lowest, int $highest): array
    {
        $numbers = $this->numbers($name, $most, $lowest, $highest);
        $broken = array_filter($numbers, static fn(float $one): bool => floor($one) !== $one);
        if ($broken !== []) {
            $this->fault($name, $this->was($broken), "Use whole numbers from {$lowest} to {$highest}.");
        }

        return array_map(intval(...), $numbers);
    }

    /** @return array<mixed> an object as it came, for a reader of its own */
    public function raw(string $name): array
    {
        $value = $this->take($name);
        if (! \is_array($value)) {
            $this->fault($name, $this->was($value), 'An object is needed here.');

            return [];
        }

        return $value;
    }

    public function object(string $name): ?self
    {
        $value = $this->take($name);
        if (! \is_array($value) || ($value !== [] && array_is_list($value))) {
            $this->fault($name, $this->was($value), 'An object is needed here.');

            return null;
        }

        return new self($value, "{$this->path}/{$name}", $this->faults);
    }

    /** @return list<self> */
    public function objects(string $name, int $most): array
    {
        $value = $this->take($name, []);
        if (! \is_array($value) || ! array_is_list($value) || \count($value) > $most) {
            $this->fault($name, $this->was($value), "Use a list of at most {$most} objects.");

            return [];
        }
        $objects = [];
        foreach ($value as $i => $item) {
            if (\is_array($item) && ($item === [] || ! array_is_list($item))) {
                $objects[] = new self($item, "{$this->path}/{$name}/{$i}", $this->faults);
            } else {
                $this->fault("{$name}/{$i}", $this->was($item), 'An object is needed here.');
            }
        }

        return $objects;
    }

    /** Call when all known fields have been read: what is left over is not known. */
    public function close(): void
    {
        foreach ($this->fields as $name => $value) {
            if (! isset($this->asked[$name])) {
                $known = implode(', ', array_keys($this->asked));
                $this->fault((string) $name, 'this field is not known here', "Known are: {$known}.");
            }
        }
    }

    /**
     * @param callable(string): bool $fits
     *
     * @return list<string>
     */
    private function texts(string $name, int $most, callable $fits, string $allowed): array
    {
        $value = $this->take($name, []);
        if (! \is_array($value) || ! array_is_list($value) || \count($value) > $most) {
            $this->fault($name, $this->was($value), "Use a list of at most {$most}. {$allowed}");

            return [];
        }
        $good = [];
        foreach ($value as $i => $text) {
            if (\is_string($text) && $fits($text)) {
                $good[] = $text;
            } else {
                $this->fault("{$name}/{$i}", $this->was($text), $allowed);
            }
        }

        return $good;
    }

    private static function isAddress(mixed $value): bool
    {
        return \is_string($value) && filter_var($value, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) !== false;
    }

    private function take(string $name, mixed $default = null): mixed
    {
        $this->asked[$name] = true;

        return $this->fields[$name] ?? $default;
    }

    private function was(mixed $value): string
    {
        return match (true) {
            $value === null => 'it is missing',
            \is_array($value) => 'it is '.(array_is_list($value) ? 'a list' : 'an object'),
            default => 'it is '.json_encode(
                $value,
                \JSON_UNESCAPED_SLASHES | \JSON_UNESCAPED_UNICODE | \JSON_PARTIAL_OUTPUT_ON_ERROR,
            ),
        };
    }
}
