<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Live\Programme\LiveProgramme;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Engine\Net\Adapters;
use NimbleJunction\Engine\Net\Descriptors;
use NimbleJunction\Engine\Net\Reach;
use NimbleJunction\Engine\Net\Transports;
use NimbleJunction\Engine\Net\World;
use NimbleJunction\Engine\Surfaces\SentAway;
use NimbleJunction\Engine\Tape\TapeDeck;
use NimbleJunction\Engine\Tape\TapeFolder;
use Revolt\EventLoop;

/**
 * Joins the junction to the world: sockets, the clock, timers, the file that
 * its state is kept in. All of it runs in one event loop.
 */
final class Engine
{
    private const LOOK_SECONDS = 1.0;
    private const CLOCK_SECONDS = 10.0;

    /** Why datagrams were left out, as a port says it. */
    private const TOO_MANY = 'more came in than can be dealt with: each sender had its share, and no more';

    /** What could not be opened is tried again at each of so many looks. */
    private const RETRY_LOOKS = 2;
    private const TIDY_SECONDS = 20.0;

    public readonly Junction $junction;
    public readonly int $startedAt;
    public readonly Transports $transports;
    public readonly SentAway $sentAway;
    private readonly Compiler $compiler;
    private readonly PortFaults $portFaults;
    private readonly ?StateKeeper $keeper;
    private Show $show;

    /** The plan that sockets are open for. */
    private Plan $opened;

    /** @var list<\Closure(list<string>, bool): void> who is told of each show that was taken on */
    private array $adopted = [];
    private string $adapters = '';
    private int $looks = 0;
    private readonly Leftovers $leftovers;
    private readonly Waking $waking;

    /** @var list<string> */
    private array $callbacks = [];
    private bool $hasStarted = false;

    /** What arrives is recorded, and played again; null where nothing is kept. */
    public ?TapeDeck $tapes = null;

    /** @var list<\Closure(): void> who lets go of sockets before another plan opens its own */
    private array $leaving = [];

    /**
     * @param StateFile|null $state null keeps nothing over a restart
     * @param string $cables folder of the virtual cables; '' for none
     * @param \DateTimeZone $zone the one in which the house is
     * @param Reach $reach what may be opened at all
     * @param StateFile|null $inMemory a second file for the state, in the machine's memory
     */
    public function __construct(
        Identity $identity,
        ?StateFile $state = null,
        string $cables = '',
        Descriptors $descriptors = new Descriptors(),
        private readonly \DateTimeZone $zone = new \DateTimeZone('UTC'),
        Reach $reach = new Reach(),
        ?StateFile $inMemory = null,
    ) {
        $this->junction = new Junction();
        $this->leftovers = new Leftovers();
        $this->opened = $this->junction->plan();
        $this->show = new Show('');
        $this->sentAway = new SentAway();
        $this->keeper = $state === null ? null : new StateKeeper($this->junction, $state, $this->sentAway, $inMemory);
        $this->compiler = new Compiler($identity);
        $this->portFaults = new PortFaults($this->junction);
        $this->startedAt = self::now();
        $this->waking = new Waking($this->wake(...));
        $this->transports = new Transports(
            new World(
                $this->arrived(...),
                $this->catchUp(...),
                $this->noteFault(...),
                $this->joined(...),
                $this->leftOut(...),
                $descriptors,
                $reach,
            ),
            $cables,
        );
    }

    /** Nanoseconds of the machine's clock that never runs backwards. */
    public static function now(): int
    {
        return (int) hrtime(true);
    }

    /**
     * Takes on a show. What is wrong with it is thrown before anything changes.
     *
     * @throws ShowRefused
     */
    public function adopt(string $json): void
    {
        $show = ShowReader::fromJson($json);
        $this->take($show, $this->plan($show), explode("\n", rtrim($json, "\n")), true);
    }

    /** @param \Closure(): void|null $between called between two pieces of the work */
    public function plan(Show $show, ?\Closure $between = null): Plan
    {
        return $this->compiler->compile($show, before: $this->junction->plan(), between: $between);
    }

    /**
     * Takes on a show that was read and compiled, in one turn.
     *
     * @param list<string> $lines the show as it came (see ShowLines), or, where it is not whole, what was changed
     */
    public function take(Show $show, Plan $plan, array $lines, bool $isWhole): void
    {
        $this->show = $show;
        // What is over is told by the sockets of the plan before, so it is sent first.
        $this->dispatch($this->junction->adopt($plan, self::now()));
        if ($this->hasStarted) {
            $this->wake();
        }
        if ($isWhole) {
            // All that is new is in use.
            $this->leftovers->look();
        }
        foreach ($this->adopted as $tell) {
            $tell($lines, $isWhole);
        }
    }

    /**
     * @param \Closure(list<string>, bool): void $tell called with each show that was taken on, in lines, or the lines that
     * were changed
     */
    public function whenAdopted(\Closure $tell): void
    {
        $this->adopted[] = $tell;
    }

    /** @param \Closure(): void $leave called before the sockets of another plan are opened */
    public function beforeOpening(\Closure $leave): void
    {
        $this->leaving[] = $leave;
    }

    /** Milliseconds of our own clock, as pages are told times. */
    public static function millis(int $nanos): float
    {
        return round($nanos / 1e6, 1);
    }

    /** The show in force. */
    public function show(): Show
    {
        return $this->show;
    }

    public function keepTapes(TapeFolder $folder): void
    {
        $this->tapes = new TapeDeck($folder, $this->junction->plan(...), $this->arrived(...), $this->catchUp(...));
        $this->junction->programme->tapes->deck = $this->tapes;
    }

    /** Begins to work; the loop itself is run by the caller. */
    public function start(): void
    {
        gc_disable();
        $this->tellTheTime();
        $this->callbacks[] = EventLoop::repeat(self::CLOCK_SECONDS, $this->tellTheTime(...));
        // Before the first waking: what begins by itself begins only where it was not running already.
        $this->keeper?->restore(self::now());
        $this->keeper?->start();
        $this->hasStarted = true;
        // Adapters come and go, and get other addresses: nobody tells us, so it is looked at.
        $this->callbacks[] = EventLoop::repeat(self::LOOK_SECONDS, $this->lookAround(...));
        $this->callbacks[] = EventLoop::repeat(self::TIDY_SECONDS, $this->leftovers->tidy(...));
        $this->wake();
    }

    /** @param bool $forGood the other ends are told that nothing more comes; not when this engine begins again at once */
    public function stop(bool $forGood = true): void
    {
        array_map(EventLoop::cancel(...), $this->callbacks);
        $this->waking->stop();
        $this->tapes?->close();
        $this->keeper?->stop();
        if ($forGood) {
            $this->dispatch($this->junction->end(self::now()));
        }
        $this->transports->close();
    }

    /**
     * @param array<int, int> $levels 0 to 255 by slot, 1 to 512 in rising order
     * @param bool $unlock whether it reaches what is never driven
     */
    public function hold(string $universeId, array $levels, string $by, int $seconds, bool $unlock = false): void
    {
        $now = self::now();
        $until = $now + $seconds * 1_000_000_000;
        $holds = array_map(
            static fn(int $slot, int $level): Hold => new Hold($slot - 1, $level, $by, $until, $unlock),
            array_keys($levels),
            array_values($levels),
        );
        if ($holds === []) {
            return;
        }
        $this->dispatch($this->junction->hold($universeId, $holds, $now));
        $this->keeper?->look();
        $this->schedule();
    }

    /** @return string why the point cannot be set so; '' when it is done */
    public function set(Reference $reference, int|float|string $value, Act $act): string
    {
        [$refusal, $packets] = $this->junction->set($reference, $value, $act, self::now());
        $this->dispatch($packets);
        $this->keeper?->look();
        $this->schedule();

        return $refusal;
    }

    /** @return string why the point cannot be pressed; '' when it is done */
    public function press(Reference $reference, Act $act): string
    {
        [$refusal, $packets] = $this->junction->press($reference, $act, self::now());
        $this->dispatch($packets);
        $this->keeper?->look();
        $this->schedule();

        return $refusal;
    }

    /** @param \Closure(LiveProgramme, int): string $deed why it cannot be done, '' when it is; told the time */
    public function run(\Closure $deed): string
    {
        $refusal = $deed($this->junction->programme, self::now());
        $this->schedule();

        return $refusal;
    }

    /**
     * @param int|null $first 0 to 511
     * @param int|null $last 0 to 511
     * @param bool $onlyOwn what others hold stays held
     */
    public function release(?string $universeId, ?int $first, ?int $last, string $by, bool $onlyOwn = false): void
    {
        $this->dispatch($this->junction->release($universeId, $first, $last, $by, self::now(), $onlyOwn));
        $this->keeper?->look();
        $this->schedule();
    }

    private function arrived(string $endpoint, string $address, int $port, string $bytes): void
    {
        if ($this->tapes?->isInstead($endpoint, $address, $port, $bytes) === true) {
            return;
        }
        $now = self::now();
        $packets = $this->junction->arrived($endpoint, $address, $port, $bytes, $now);
        if ($port !== 0 && $this->transports->isOwn($address, $port)) {
            foreach ($this->junction->plan()->endpoints[$endpoint]->portIds ?? [] as $portId) {
                $this->junction->activity($portId)->wasOwn($now);
            }
        }
        if ($packets !== []) {
            $this->dispatch($packets);
        }
    }

    private function catchUp(): void
    {
        $now = self::now();
        try {
            if ($this->junction->dueAt() <= $now) {
                $this->dispatch($this->junction->wake($now));
            }
        } finally {
            $this->schedule();
        }
    }

    /** What was sent while nobody was there is told to whoever comes. */
    private function joined(string $endpoint): void
    {
        $this->dispatch($this->junction->joined($endpoint, self::now()));
        $this->schedule();
    }

    /** More has come than can be dealt with: each port that hears there says so. */
    private function leftOut(string $endpoint, int $count): void
    {
        foreach ($this->junction->plan()->endpoints[$endpoint]->portIds ?? [] as $portId) {
            $this->junction->activity($portId)->refuse(self::TOO_MANY, $count);
        }
    }

    private function noteFault(string $endpoint, string $fault): void
    {
        $this->transports->noteFault($endpoint, $fault);
        $this->portFaults->place($endpoint, $fault);
    }

    private function lookAround(): void
    {
        $adapters = Adapters::now()->signature();
        ++$this->looks;
        if ($adapters !== $this->adapters || ($this->looks % self::RETRY_LOOKS === 0 && $this->transports->hasFaults())) {
            $this->adapters = $adapters;
            $this->openSockets();
        }
    }

    private function openSockets(): void
    {
        $plan = $this->junction->plan();
        $this->opened = $plan;
        $this->portFaults->look($this->transports->adopt($plan));
    }

    private function wake(): void
    {
        try {
            $this->dispatch($this->junction->wake(self::now()));
        } finally {
            // Also after a fault of ours, or nothing would ever leave again by itself.
            $this->schedule();
        }
    }

    private function schedule(): void
    {
        $this->waking->set($this->junction->dueAt(), $this->junction->programme->exactAt(), $this->transports->isPaced());
    }

    /** @param list<OutgoingPacket> $packets */
    private function dispatch(array $packets): void
    {
        foreach ($packets as $packet) {
            $problem = $this->transports->send($packet);
            if ($packet->portId !== '') {
                $this->portFaults->sent(
                    $packet->portId,
                    $packet->port === 0 ? $packet->address : "{$packet->address}:{$packet->port}",
                    $problem,
                );
            }
        }
        if ($this->junction->plan() !== $this->opened) {
            foreach ($this->leaving as $leave) {
                $leave();
            }
            $this->openSockets();
        }
    }

    /** By the clock of the day, which may be set while we run. */
    private function tellTheTime(): void
    {
        $this->junction->setClock((int) (microtime(true) * 1e9), self::now(), $this->zone);
    }
}
