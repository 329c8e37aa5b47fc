<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use Symfony\Component\Process\Process;

/**
 * A network namespace of a test's own, with pairs of virtual adapters to other
 * namespaces: what is done in it can go nowhere else.
 */
final class Netns
{
    public readonly string $name;

    /** @var list<string> namespaces at the other ends */
    private array $others = [];

    public function __construct()
    {
        $this->name = 'junction'.bin2hex(random_bytes(3));
        self::ip('netns', 'add', $this->name);
        $this->inside('ip', 'link', 'set', 'lo', 'up');
        $this->inside('ip', 'link', 'set', 'lo', 'multicast', 'on');
    }

    /**
     * An adapter with an address, and at its other end a namespace with one more.
     *
     * @param string $adapter its name, at most 8 characters
     * @param string $ours like "10.9.1.1/24"
     * @param string $theirs like "10.9.1.2/24"
     *
     * @return string the other namespace
     */
    public function pair(string $adapter, string $ours, string $theirs): string
    {
        $other = "{$this->name}{$adapter}";
        self::ip('netns', 'add', $other);
        $this->others[] = $other;
        self::ip('-n', $other, 'link', 'set', 'lo', 'up');
        self::ip('link', 'add', $adapter, 'netns', $this->name, 'type', 'veth', 'peer', 'name', 'peer', 'netns', $other);
        self::ip('-n', $other, 'addr', 'add', $theirs, 'brd', '+', 'dev', 'peer');
        self::ip('-n', $other, 'link', 'set', 'peer', 'up');
        self::ip('-n', $other, 'route', 'add', '239.0.0.0/8', 'dev', 'peer');
        $this->address($adapter, $ours);
        $this->up($adapter);

        return $other;
    }

    public function address(string $adapter, string $address): void
    {
        $this->inside('ip', 'addr', 'add', $address, 'brd', '+', 'dev', $adapter);
    }

    public function noAddress(string $adapter): void
    {
        $this->inside('ip', 'addr', 'flush', 'dev', $adapter);
    }

    public function up(string $adapter): void
    {
        $this->inside('ip', 'link', 'set', $adapter, 'up');
    }

    public function down(string $adapter): void
    {
        $this->inside('ip', 'link', 'set', $adapter, 'down');
    }

    /** Takes an adapter away, other end and all. */
    public function pull(string $adapter): void
    {
        $this->inside('ip', 'link', 'del', $adapter);
        self::ip('netns', 'del', "{$this->name}{$adapter}");
        $this->others = array_values(array_diff($this->others, ["{$this->name}{$adapter}"]));
    }

    public function inside(string ...$words): string
    {
        return self::in($this->name, ...$words);
    }

    public static function in(string $namespace, string ...$words): string
    {
        return (new Process(['ip', 'netns', 'exec', $namespace, ...$words]))->mustRun()->getOutput();
    }

    /** @return list<string> what stands before a command that is to run in a namespace */
    public static function words(string $namespace): array
    {
        return ['ip', 'netns', 'exec', $namespace];
    }

    public function delete(): void
    {
        foreach ([$this->name, ...$this->others] as $namespace) {
            (new Process(['ip', 'netns', 'del', $namespace]))->run();
        }
    }

    private static function ip(string ...$words): void
    {
        (new Process(['ip', ...$words]))->mustRun();
    }
}
