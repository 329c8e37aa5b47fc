<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

use NimbleJunction\Core\Plan\AllowList;
use NimbleJunction\Core\Port\State;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\Side\ReceiveSide;
use NimbleJunction\Core\Show\Side\SendSide;
use NimbleJunction\Core\Show\WireUniverse;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\PortAddress;

/** "Check connection": looked at step by step, in the order in which it usually turns out to be wrong. */
final class TwoBoxes
{
    private const HEARD_LATELY_NANOS = 3_000_000_000;

    /** @var list<Finding> */
    private array $findings = [];

    private function __construct(
        private readonly PortEntry $port,
        private readonly Observed $seen,
        private readonly Network $network,
    ) {
    }

    /**
     * @param bool $isOn whether it is on now: it may have been switched while the show runs
     * @param string $other IPv4 address of the other end; '' if it is not known
     *
     * @return list<Finding>
     */
    public static function check(PortEntry $port, bool $isOn, Observed $seen, Network $network, string $other, int $now): array
    {
        $check = new self($port->switched($isOn), $seen, $network);
        $check->switchedOn($port->enabled);
        if ($port->link->kind === LinkKind::Udp || $port->link->kind === LinkKind::Tcp || $port->link->kind === LinkKind::Session) {
            $check->ourAddress($other);
            $check->sameNetwork($other);
        }
        $check->open();
        if ($port->receive !== null && $check->port->receives()) {
            $check->allowed($other);
            $check->heard($port->receive, $other, $now);
            $check->refused();
        }
        if ($port->send !== null && $check->port->sends()) {
            $check->sending($port->send, $other, $now);
        }

        return $check->findings;
    }

    private function switchedOn(bool $said): void
    {
        if ($said && ! $this->port->enabled) {
            $this->wrong(
                'Is it switched on?',
                'The port was switched off while the show runs, by hand or by a route.',
                'Press "Switch on again" at the port.',
            );

            return;
        }
        $off = array_keys(array_filter([
            'the port' => ! $this->port->enabled,
            'receiving' => $this->port->receive !== null && ! $this->port->receive->enabled,
            'sending' => $this->port->send !== null && ! $this->port->send->enabled,
        ]));
        if ($off === []) {
            $this->right('Is it switched on?', 'The port is switched on.');

            return;
        }
        $changes = ['enabled' => true];
        foreach (['receive' => $this->port->receive, 'send' => $this->port->send] as $side => $entry) {
            if ($entry !== null) {
                $changes["{$side}/enabled"] = true;
            }
        }
        $this->wrong(
            'Is it switched on?',
            ucfirst(implode(' and ', $off)).(\count($off) > 1 ? ' are' : ' is').' switched off here.',
            'Switch it on.',
            ['label' => 'Switch it on', 'changes' => $changes],
        );
    }

    private function ourAddress(string $other): void
    {
        $facing = $other === '' ? null : $this->network->facing($other);
        foreach (['receive' => $this->port->receive?->address, 'send' => $this->port->send?->address] as $side => $address) {
            if ($address === null || $address === '0.0.0.0') {
                continue;
            }
            if (! $this->network->has($address)) {
                $this->wrong('Our address', (filter_var($address, \FILTER_VALIDATE_IP) === false ? "There is no network adapter {$address} now." : "{$address} is no address of this machine now.")." We are {$this->network->spelled()}.", 'Use another address, or plug the adapter in that has this one.', ['label' => 'Use '.($facing['address'] ?? 'every adapter'), 'changes' => ["{$side}/address" => $facing['address'] ?? '0.0.0.0']]);

                return;
            }
            if ($facing !== null && ! str_starts_with($other, '127.') && ! \in_array(
                $address,
                [$facing['address'], $facing['name']],
                true,
            )) {
                $this->wrong('Our address', "This port uses {$address}, but {$other} is reached through {$facing['address']} ({$facing['name']}).", 'Use the adapter that faces the other end.', ['label' => "Use {$facing['address']}", 'changes' => ["{$side}/address" => $facing['address']]]);

                return;
            }
        }
        $this->right('Our address', "We are {$this->network->spelled()}.");
    }

    private function sameNetwork(string $other): void
    {
        if ($other === '') {
            $this->undecided(
                'Same network',
                'The other end\'s address is not known.',
                'Read it from the other end and type it above.',
            );

            return;
        }
        $facing = $this->network->facing($other);
        $facing === null
            ? $this->wrong('Same network', "{$other} is in none of our networks. We are {$this->network->spelled()}.", 'Give one of the two an address in the other\'s range, with the same netmask.')
            : $this->right('Same network', "{$other} is in the network of {$facing['address']} ({$facing['name']}).");
    }

    private function open(): void
    {
        $fault = $this->seen->activity->fault;
        $fault === '' ? $this->right('Is the port open?', 'It is open.') : $this->wrong('Is the port open?', $fault);
    }

    private function allowed(string $other): void
    {
        if ($other !== '' && ! (new AllowList($this->port->allow))->lets($other)) {
            $this->wrong('May it speak to us?', "{$other} is not among the senders that this port listens to: ".implode(', ', $this->port->allow).'.', 'Let it in.', ['label' => "Let {$other} in", 'changes' => ['allow' => [...$this->port->allow, $other]]]);
        }
    }

    private function heard(ReceiveSide $receive, string $other, int $now): void
    {
        $activity = $this->seen->activity;
        $lately = $activity->heardAt !== null && $now - $activity->heardAt < self::HEARD_LATELY_NANOS;
        if ($lately && ($other === '' || isset($activity->senders[$other]))) {
            $this->right('Is anything heard?', 'Yes: '.$activity->lastWords().", from {$activity->heardFrom}.");
            $this->steady($now);

            return;
        }
        if ($this->onNeighbours($receive, $other)) {
            return;
        }
        $others = array_diff(array_keys($activity->senders), [$other]);
        $usual = match ($this->port->protocol) {
            Protocol::Osc => "Its send port must be our receive port, {$receive->port}, and its destination one of our addresses.",
            Protocol::ArtNet, Protocol::Sacn => 'Is its output switched on, and does it send to us or to everybody?',
            default => 'Is it plugged in, and does it send?',
        };
        $lately
            ? $this->wrong('Is anything heard?', "Nothing from {$other}, but from ".implode(', ', $others).'.', 'Is that the address that it really has?')
            : $this->wrong(
                'Is anything heard?',
                $activity->heardAt === null ? 'Nothing has been heard here yet.' : 'Nothing has been heard here lately.',
                $usual,
            );
    }

    /** Whether what is heard comes as it should: no figure is bad beside a word that says that all is well. */
    private function steady(int $now): void
    {
        $activity = $this->seen->activity;
        $health = $this->port->protocol->carriesLevels() ? $activity->streams->health($now) : null;
        if ($health === null) {
            return;
        }
        [$state, $words] = $health;
        $fitting = $activity->streams->fittingSeconds();
        $gap = 0.0;
        foreach ($activity->streams->all($now) as $stream) {
            $gap = max($gap, $stream->rhythm->longestGapMillis($now));
        }
        $loss = round(100 * $activity->lossPart($now, true), 1);
        $figures = 'longest gap '.($gap < 1000 ? round($gap).' ms' : round($gap / 1000, 1).' s').', '.($loss > 0 ? "{$loss} % lost" : 'nothing lost').' in the last minute';
        match (true) {
            $words !== '' => $this->wrong(
                'Is it steady?',
                ucfirst($words).(str_ends_with($words, '.') ? '' : '.')." ({$figures})",
                $fitting > 0 ? '' : 'A wireless link, a switch that is busy, a long cable, a sender that is overloaded?',
                $fitting > 0 ? ['label' => "Raise the time-out to {$fitting} s", 'changes' => ['receive/timeOut' => $fitting]] : null,
            ),
            $state !== State::Alive || $loss > 0 => $this->undecided('Is it steady?', ucfirst($figures).'.', 'Look again in a minute.'),
            default => $this->right('Is it steady?', ucfirst($figures).'.'),
        };
    }

    /** What arrives beside the port: on another universe, on another of our ports, at a number that nobody listens at. */
    private function onNeighbours(ReceiveSide $receive, string $other): bool
    {
        foreach ($this->seen->unclaimed as $stray) {
            if ($other === '' || $stray['from'] === $other) {
                $listens = array_map(static fn($link): int => $link->number, $receive->feeds);
                $this->wrong(
                    'Is anything heard?',
                    "Heard on {$this->spell($stray['number'])} from {$stray['from']}; this port listens to ".($listens === [] ? 'none' : implode(', ', array_map($this->spell(...), $listens))).'.',
                    'Change the number here or there.',
                    $receive->feeds === [] ? null : ['label' => "Listen to {$this->spell($stray['number'])}", 'changes' => ['receive/feeds' => $this->moved($receive, $stray['number'])]],
                );

                return true;
            }
        }
        foreach ($this->seen->knocks as $knock) {
            if ($other === '' || $knock['from'] === $other) {
                $crossed = $this->port->send !== null && $knock['port'] === $this->port->send->port;
                $this->wrong(
                    'Is anything heard?',
                    "{$knock['from']} sends to our port {$knock['port']}, and we listen at {$receive->port}.".($crossed ? ' The two ports are swapped: what it sends to is what we send to.' : ''),
                    'The two ports must cross: its send port is our receive port.',
                    ['label' => "Listen at {$knock['port']}", 'changes' => ['receive/port' => $knock['port']] + ($crossed ? ['send/port' => $receive->port] : [])],
                );

                return true;
            }
        }
        foreach ($this->seen->elsewhere as $portName => $senders) {
            if ($other !== '' && isset($senders[$other])) {
                $this->wrong('Is anything heard?', "Not here, but \"{$portName}\" hears {$other}.", 'Is that the port that was meant?');

                return true;
            }
        }

        return false;
    }

    private function refused(): void
    {
        if ($this->seen->activity->refused > 0) {
            arsort($this->seen->activity->refusals);
            $reason = (string) array_key_first($this->seen->activity->refusals);
            $this->undecided('Are packets refused?', "{$this->seen->activity->refused} were refused, most of all: {$reason}.", 'Does the other end speak the same protocol?');
        }
    }

    private function sending(SendSide $send, string $other, int $now): void
    {
        $activity = $this->seen->activity;
        if ($other !== '' && $this->port->link->kind === LinkKind::Udp && $send->group(1) === null && ! $send->repliesToo() && ! \in_array($other, $send->to, true)) {
            $this->wrong('Do we send to it?', 'We send to '.implode(', ', $send->to).", not to {$other}.", 'Send to it as well.', ['label' => "Send to {$other} too", 'changes' => ['send/to' => [...$send->to, $other]]]);

            return;
        }
        foreach ($this->seen->deaf as $where) {
            $this->wrong('Does it listen?', "Nothing listens at {$where}: the machine there says so.", 'Start the program there, and check its receive port: it must be our send port.');

            return;
        }
        if ($activity->sentAt === null) {
            $this->undecided(
                'Do we send?',
                'Nothing has been sent yet: no level and no message was there to send.',
                'Move a fader, or hold a slot by hand.',
            );

            return;
        }
        $this->right(
            'Do we send?',
            'Yes: '.round($activity->rate($now, false), 1).' packets a second. If the other end hears nothing, its receive port must be '.$send->port.($this->port->protocol === Protocol::Osc ? '.' : ', and its universe the one named below.'),
        );
    }

    private function spell(int $number): string
    {
        return match ($this->port->protocol) {
            Protocol::ArtNet => "port-address {$number} (".PortAddress::of($number)->spelled().')',
            Protocol::Sacn => "universe {$number}",
            default => "number {$number}",
        };
    }

    /**
     * @return list<array{number: int, universe: string}> the feeds, with the one whose number is nearest moved to what is
     * heard
     */
    private function moved(ReceiveSide $receive, int $number): array
    {
        $distances = array_map(static fn(WireUniverse $link): int => abs($link->number - $number), $receive->feeds);
        $nearest = $distances === [] ? null : array_search(min($distances), $distances, true);

        return array_map(
            static fn(WireUniverse $link, int $i): array => [
                'number' => $i === $nearest ? $number : $link->number,
                'universe' => $link->universe,
            ],
            $receive->feeds,
            array_keys($receive->feeds),
        );
    }

    private function right(string $question, string $words): void
    {
        $this->findings[] = new Finding(Finding::RIGHT, $question, $words);
    }

    private function undecided(string $question, string $words, string $remedy): void
    {
        $this->findings[] = new Finding(Finding::OPEN, $question, $words, $remedy);
    }

    /** @param array{label: string, changes: array<string, mixed>}|null $fix */
    private function wrong(string $question, string $words, string $remedy = '', ?array $fix = null): void
    {
        $this->findings[] = new Finding(Finding::WRONG, $question, $words, $remedy, $fix);
    }
}
