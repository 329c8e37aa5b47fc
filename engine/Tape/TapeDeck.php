<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Tape;

use NimbleJunction\Core\Live\Tape\Deck;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Wire\Capture\Frame;
use NimbleJunction\Core\Wire\Capture\Link;
use NimbleJunction\Core\Wire\Malformed;

/**
 * Records what arrives at ports, and plays it again as if it arrived. As long as a tape plays, its ports hear the tape and
 * nothing else: two desks of the same address would fight.
 */
final class TapeDeck implements Deck
{
    private const MOST_PLAYING = 8;
    public ?TapeRecorder $recorder = null;

    /** Id of the tape that is recorded, or was last; '' before any. */
    public string $recording = '';

    /** @var array<string, TapePlayer> by id */
    public array $players = [];

    /** @var array<string, string> id of the part that each of them plays; '' for what it is cut to */
    public array $played = [];

    /** @var array<string, array<string, true>> endpoints at which each tape has arrived, by its id */
    private array $places = [];

    /** Whether what arrives now comes from a tape. */
    private bool $isArriving = false;

    /** @var array<string, TapeLabel>|null as they are in the folder; null where they have to be looked at again */
    private ?array $labels = null;

    /**
     * @param \Closure(): Plan $plan
     * @param \Closure(string, string, int, string): void $arrives endpoint, address, port, bytes
     * @param \Closure(): void $arrived some has arrived
     */
    public function __construct(
        private readonly TapeFolder $folder,
        private readonly \Closure $plan,
        private readonly \Closure $arrives,
        private readonly \Closure $arrived,
    ) {
    }

    /** @return array<string, TapeLabel> by id, the newest first */
    public function labels(): array
    {
        return $this->labels ??= $this->folder->all();
    }

    /** Files came or went: they are looked at again. */
    public function lookAgain(): void
    {
        $this->labels = null;
    }

    /** @return bool whether the port is deaf to what comes from the network: a tape plays there */
    public function isInstead(string $endpoint, string $address, int $port, string $bytes): bool
    {
        if ($this->isArriving) {
            return false;
        }
        foreach ($this->places as $places) {
            if (isset($places[$endpoint])) {
                return true;
            }
        }
        $place = $this->recorder?->isOpen() === true ? ($this->plan)()->endpoints[$endpoint] ?? null : null;
        if ($place !== null) {
            $this->recorder?->heard($place, $address, $port, $bytes, (int) (microtime(true) * 1e9));
            if ($this->recorder?->isOpen() === false) {
                $this->finish();
            }
        }

        return false;
    }

    /**
     * @param list<string> $ports ids; none for all that receive
     *
     * @return string why not; '' when it is recorded
     */
    public function record(string $name, array $ports): string
    {
        if ($this->recorder?->isOpen() === true) {
            return 'a tape is recorded already: stop that first';
        }
        $id = $this->folder->free($name);
        $recorder = new TapeRecorder($this->folder->path($id), $ports);
        if (! $recorder->isOpen()) {
            return $recorder->why;
        }
        $this->recording = $id;
        $this->recorder = $recorder;
        $this->folder->write($this->folder->label($id)->called($name));
        $this->lookAgain();

        return '';
    }

    public function endRecording(): string
    {
        if ($this->recorder?->isOpen() !== true) {
            return 'no tape is recorded';
        }
        $this->recorder->end();
        $this->finish();

        return '';
    }

    public function names(): array
    {
        return array_map(static fn(TapeLabel $label): string => $label->name, $this->labels());
    }

    public function isPlaying(string $id): bool
    {
        return isset($this->players[$id]);
    }

    public function loops(string $id): bool
    {
        return $this->labels()[$id]->loops ?? false;
    }

    public function parts(string $id): array
    {
        return array_map(static fn(TapePart $part): string => $part->name, $this->labels()[$id]->parts ?? []);
    }

    public function play(string $id, string $part = ''): string
    {
        $label = $this->labels()[$id] ?? null;
        if ($label === null || ! $this->folder->has($id)) {
            return 'there is no such tape';
        }
        if (($id === $this->recording && $this->recorder?->isOpen() === true) || \count($this->players) >= self::MOST_PLAYING) {
            return $id === $this->recording ? 'it is recorded still' : 'too many tapes play: stop one first';
        }
        $this->halt($id);
        $this->played[$id] = $part;
        $this->players[$id] = new TapePlayer(
            $this->folder->path($id),
            $label->at($part),
            fn(string $interface, Frame $frame) => $this->arrive($id, $interface, $frame),
            fn() => $this->halt($id),
        );

        return '';
    }

    public function stop(string $id): string
    {
        $this->halt($id);

        return isset($this->labels()[$id]) ? '' : 'there is no such tape';
    }

    public function setLoop(string $id, bool $loops): string
    {
        return $this->change($id, static fn(TapeLabel $label): TapeLabel => $label->looped($loops));
    }

    /** @param \Closure(TapeLabel): TapeLabel $change */
    public function change(string $id, \Closure $change): string
    {
        $label = $this->labels()[$id] ?? null;
        if ($label === null) {
            return 'there is no such tape';
        }
        $label = $change($label);
        $this->folder->write($label);
        if (isset($this->players[$id])) {
            $this->players[$id]->label = $label->at($this->played[$id] ?? '');
        }
        $this->lookAgain();

        return '';
    }

    public function remove(string $id): string
    {
        if (! isset($this->labels()[$id]) || ($id === $this->recording && $this->recorder?->isOpen() === true)) {
            return $id === $this->recording ? 'it is recorded still: stop that first' : 'there is no such tape';
        }
        $this->halt($id);
        $this->folder->remove($id);
        $this->lookAgain();

        return '';
    }

    public function close(): void
    {
        foreach (array_keys($this->players) as $id) {
            $this->halt((string) $id);
        }
        if ($this->recorder?->isOpen() === true) {
            $this->endRecording();
        }
    }

    private function finish(): void
    {
        $recorder = $this->recorder;
        if ($recorder !== null) {
            $label = $this->folder->label($this->recording);
            $this->folder->write(new TapeLabel(
                $label->id,
                $label->name,
                $label->made,
                $label->bytes,
                $recorder->seconds(),
                $recorder->packets,
            ));
        }
        $this->lookAgain();
    }

    private function halt(string $id): void
    {
        if (isset($this->players[$id])) {
            $this->players[$id]->stop();
            unset($this->players[$id], $this->places[$id], $this->played[$id]);
        }
    }

    /** A packet of a tape arrives wherever the show listens to its like now. */
    private function arrive(string $id, string $interface, Frame $frame): void
    {
        try {
            $datagram = $frame->linkType === Frame::PRIVATE_USE ? null : Link::datagram($frame);
        } catch (Malformed) {
            return;
        }
        foreach (($this->plan)()->endpoints as $key => $endpoint) {
            if ($datagram === null) {
                $isThere = $frame->linkType === Frame::PRIVATE_USE && \in_array($interface, $endpoint->portIds, true);
                $this->bring($id, $isThere ? (string) $key : '', $interface, 0, $frame->bytes);

                continue;
            }
            // To whom it went the tape does not say for sure: whoever listens at that port number hears it.
            $isThere = $endpoint->kind === LinkKind::Udp && $endpoint->port === $datagram->destinationPort;
            $this->bring($id, $isThere ? (string) $key : '', $datagram->source, $datagram->sourcePort, $datagram->payload);
        }
    }

    private function bring(string $id, string $endpoint, string $address, int $port, string $bytes): void
    {
        if ($endpoint !== '') {
            $this->places[$id][$endpoint] = true;
            $this->isArriving = true;
            try {
                ($this->arrives)($endpoint, $address, $port, $bytes);
            } finally {
                $this->isArriving = false;
            }
            ($this->arrived)();
        }
    }
}
