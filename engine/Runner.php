<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\Discovery\ServiceDiscovery;
use NimbleJunction\Engine\Events\AlarmMail;
use NimbleJunction\Engine\Events\EventKind;
use NimbleJunction\Engine\Events\EventLog;
use NimbleJunction\Engine\Events\PortWatch;
use NimbleJunction\Engine\Health\Compilation;
use NimbleJunction\Engine\Health\CompilerWatch;
use NimbleJunction\Engine\Health\FaultLog;
use NimbleJunction\Engine\Health\LoopLag;
use NimbleJunction\Engine\Health\ServiceManager;
use NimbleJunction\Engine\Health\Vitals;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Engine\LiveLink\Server;
use NimbleJunction\Engine\Net\Descriptors;
use NimbleJunction\Engine\Shows\FirstShow;
use NimbleJunction\Engine\Shows\LastGoodShow;
use NimbleJunction\Engine\Shows\TakingOn;
use NimbleJunction\Engine\Tape\TapeFolder;
use Revolt\EventLoop;

/** One engine process from start to end: adopts the show, opens its doors, runs the loop until told to stop. */
final class Runner
{
    private readonly EventLog $events;
    private readonly Warnings $warnings;
    private readonly FaultLog $faults;
    private readonly LastGoodShow $lastGood;

    private readonly CompilerWatch $compiler;

    /** @param \Closure(string): void $say one line for whoever started it */
    public function __construct(private readonly Settings $settings, private readonly \Closure $say)
    {
        $this->events = new EventLog($settings->directory);
        $this->warnings = new Warnings(function (string $words, string $about) use ($say): void {
            $say($words);
            // An alarm of a port is written down with its port, by whoever raises it.
            if (! str_starts_with($about, PortWatch::ALARM)) {
                $this->events->note(EventKind::Fault, $words);
            }
        });
        $this->faults = new FaultLog($settings->directory, $this->warnings);
        $this->lastGood = new LastGoodShow($settings->directory);
        $this->compiler = new CompilerWatch($this->warnings);
    }

    /**
     * @param \Closure(): array{string, int} $read gives the show, as JSON, and its revision
     *
     * @throws ShowRefused|AlreadyRunning|\Amp\Socket\SocketException
     */
    public function run(\Closure $read): void
    {
        $end = $this->awaitTheEnd();
        EventLoop::setErrorHandler(fn(\Throwable $fault) => $this->faults->note('serving a port or a page', $fault));
        $directory = $this->settings->directory;
        $keeps = $directory !== '';
        $lock = $keeps ? Lock::take($directory) : null;
        $engine = new Engine(
            KeptIdentity::of($directory),
            $keeps ? new StateFile("{$directory}/engine-state", $this->warnings) : null,
            $keeps ? "{$directory}/cables" : '',
            $descriptors = new Descriptors($this->warnings),
            LocalZone::of(),
            $this->settings->reach,
            $keeps ? $this->inMemory() : null,
        );
        if ($keeps) {
            $engine->keepTapes(new TapeFolder("{$directory}/tapes"));
        }
        $engine->whenAdopted(function (array $lines, bool $isWhole): void {
            if (! ($isWhole ? $this->lastGood->keep($lines) : $this->lastGood->keepUpdate($lines[0] ?? ''))) {
                $this->warnings->raise(
                    'disk',
                    'The running show cannot be kept for a restart: the data folder cannot be written. Is the disk full? The show goes on.',
                );
            }
        });
        $first = FirstShow::takenOn($engine, $read, $this->lastGood, $this->warnings, $this->faults);
        $engine->start();
        $discovery = new ServiceDiscovery($engine->junction->plan(...));
        $discovery->start();
        $conversation = new JunctionLink(
            $engine,
            $this->warnings,
            $this->faults,
            $descriptors,
            ShowMode::kept($directory),
            $discovery,
        );
        $door = $this->settings->door;
        $link = $door->address === '' ? null : new Server($door->gate(), $conversation, $descriptors);
        $lag = new LoopLag();
        $lag->start();
        $vitals = new Vitals(
            $engine,
            new PortReport($engine->junction, $engine->transports),
            $this->warnings,
            $this->faults,
            $descriptors,
            $lag,
            static fn(): int => $link?->count() ?? 0,
            $this->settings->version,
        );
        $control = $keeps ? new ControlSocket(
            new TakingOn($engine, $first->revision),
            $conversation->people,
            $vitals,
            $conversation->showMode,
            $this->faults,
            "{$directory}/engine.sock",
        ) : null;
        $control?->start();
        $link?->start($door->address);
        $this->watchPorts($engine);
        $this->introduce($engine);
        $notify = new ServiceManager();
        $notify->ready("Runs \"{$engine->junction->plan()->name}\"");
        $this->compiler->start($first->checked(), function (string $wrong) use ($end): void {
            ($this->say)("Compiled code computes wrong things ({$wrong}): the engine begins again without the compiler.");
            $end->now();
        });
        $end->suspend();

        $distrust = $this->compiler->distrust();
        $notify->stopping();
        $discovery->stop();
        $link?->stop();
        $control?->stop();
        $this->events->note(
            EventKind::Restart,
            $distrust === '' ? 'The engine ends.' : 'The engine begins again without the compiler.',
        );
        $engine->stop($distrust === '');
        $lock?->release();
        if ($distrust !== '') {
            Compilation::beginAgainWithout($distrust);
        }
    }

    /**
     * A folder in the machine's memory that a service manager has made for us, or that is named; another name for each data
     * folder.
     */
    private function inMemory(): ?StateFile
    {
        $folder = $this->settings->memory;

        return $folder === '' || ! is_dir($folder) || ! is_writable($folder)
            ? null
            : new StateFile("{$folder}/state-".hash('xxh64', (string) realpath($this->settings->directory)), $this->warnings);
    }

    /** What is lost and found is written down; what stays lost is an alarm. */
    private function watchPorts(Engine $engine): void
    {
        $mail = new AlarmMail($this->settings->alarms->command);
        $watch = new PortWatch(
            $engine->junction,
            $this->events,
            $this->warnings,
            $this->settings->alarms->seconds,
            $mail->tell(...),
        );
        EventLoop::unreference(EventLoop::repeat(1.0, static function () use ($watch, $mail): void {
            $now = Engine::now();
            $watch->look($now);
            $mail->look($now);
        }));
    }

    /** Told to end at any moment, also while it starts, it ends in order. */
    private function awaitTheEnd(): Ending
    {
        $end = new Ending();
        foreach ([\SIGTERM, \SIGINT] as $signal) {
            // Never cancelled: what comes while we end is no reason to end otherwise.
            EventLoop::unreference(EventLoop::onSignal($signal, $end->now(...)));
        }
        if ($this->settings->seconds !== null) {
            EventLoop::delay($this->settings->seconds, $end->now(...));
        }

        return $end;
    }

    private function introduce(Engine $engine): void
    {
        $live = $this->settings->door->address === '' ? '' : ", live link at {$this->settings->door->address}";
        $version = $this->settings->version === '' ? '' : " version {$this->settings->version},";
        $words = "The engine runs \"{$engine->junction->plan()->name}\"{$live};{$version} ".Compilation::words().'.';
        ($this->say)($words);
        $this->events->note(EventKind::Restart, $words);
        foreach (array_map(strval(...), array_keys($engine->junction->plan()->ports)) as $port) {
            $fault = $engine->junction->activity($port)->fault;
            if ($fault !== '') {
                ($this->say)("{$engine->junction->plan()->portName($port)}: {$fault}");
            }
        }
    }
}
