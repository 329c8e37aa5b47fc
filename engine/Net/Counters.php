<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Check\Arrivals;

/**
 * What the system counts of packets that reached it and no program, over the
 * last minute. Source: RFC 4293 and RFC 4113 (ipInReceives, ipInDelivers,
 * udpNoPorts …), as /proc/net/snmp and /proc/net/netstat have them.
 */
final class Counters
{
    private const SECONDS = 60;

    /** @var array<int, array<string, int>> by second, the oldest first */
    private array $read = [];

    public function __construct(private readonly string $folder = '/proc/net')
    {
    }

    public function look(int $second): void
    {
        $this->read[$second] = $this->now();
        foreach (array_keys($this->read) as $old) {
            if ($old >= $second - self::SECONDS) {
                break;
            }
            unset($this->read[$old]);
        }
    }

    public function lately(): Arrivals
    {
        $first = reset($this->read);
        $last = end($this->read);
        if ($first === false || $last === false) {
            return new Arrivals();
        }
        $grown = array_map(static fn(int $now, int $then): int => max(0, $now - $then), $last, $first);
        [$unheard, $received, $delivered, $otherwise, $wrongWay] = $grown;

        return new Arrivals($unheard, max(0, $received - $delivered - $otherwise - $wrongWay), $wrongWay);
    }

    /** @return array{unheard: int, received: int, delivered: int, otherwise: int, wrongWay: int} since the machine started */
    private function now(): array
    {
        $snmp = self::table("{$this->folder}/snmp");
        $ip = $snmp['Ip'] ?? [];
        $otherwise = ['InHdrErrors', 'InAddrErrors', 'ForwDatagrams', 'InUnknownProtos', 'InDiscards', 'ReasmReqds'];

        return [
            'unheard' => $snmp['Udp']['NoPorts'] ?? 0,
            'received' => $ip['InReceives'] ?? 0,
            // Several fragments are delivered as one packet.
            'delivered' => ($ip['InDelivers'] ?? 0) - ($ip['ReasmOKs'] ?? 0),
            'otherwise' => array_sum(array_intersect_key($ip, array_flip($otherwise))),
            'wrongWay' => self::table("{$this->folder}/netstat")['TcpExt']['IPReversePathFilter'] ?? 0,
        ];
    }

    /** @return array<string, array<string, int>> by the name of the line, which is there twice: names, then values */
    private static function table(string $path): array
    {
        $tables = [];
        $names = [];
        foreach (@file($path, \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            $words = explode(' ', $line);
            $table = rtrim((string) array_shift($words), ':');
            if (! isset($names[$table])) {
                $names[$table] = $words;
            } elseif (\count($names[$table]) === \count($words)) {
                $tables[$table] = array_combine($names[$table], array_map(intval(...), $words));
            }
        }

        return $tables;
    }
}
