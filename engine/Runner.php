<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\Discovery\ServiceDiscovery;
use NimbleJunction\Engine\Events\AlarmMail;
use NimbleJunction\Engine\Events\EventKind;
use NimbleJunction\Engine\Events\EventLog;
use NimbleJunction\Engine\Events\PortWatch;
use NimbleJunction\Engine\Health\Compilation;
use NimbleJunction\Engine\Health\FaultLog;
use NimbleJunction\Engine\Health\LoopLag;
use NimbleJunction\Engine\Health\SelfCheck;
use NimbleJunction\Engine\Health\ServiceManager;
use NimbleJunction\Engine\Health\Vitals;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Engine\LiveLink\Gate;
use NimbleJunction\Engine\LiveLink\Server;
use NimbleJunction\Engine\Net\Descriptors;
use NimbleJunction\Engine\Net\DeviceRules;
use NimbleJunction\Engine\Net\Reach;
use NimbleJunction\Engine\Shows\LastGoodShow;
use NimbleJunction\Engine\Shows\ShowLines;
use NimbleJunction\Engine\Shows\TakingOn;
use NimbleJunction\Engine\Tape\TapeFolder;
use Revolt\EventLoop;

/** One engine process from start to end: adopts the show, opens its doors, runs the loop until told to stop. */
final class Runner
{
    /** Between two rounds of the self-check: it must not keep what arrives waiting. */
    private const CHECK_SECONDS = 0.02;

    /** Bytes of a show that the self-check reads in one go, without keeping anything waiting. */
    private const LONGEST_CHECKED = 128 * 1024;

    private readonly EventLog $events;
    private readonly Warnings $warnings;
    private readonly FaultLog $faults;
    private readonly LastGoodShow $lastGood;

    /** The first show, for the self-check; '' where it is too long to be read again and again. */
    private string $first = '';

    /** The revision of the first show; 0 where it has none. */
    private int $revision = 0;

    /** What the compiled code got wrong; '' while nothing. */
    private string $distrust = '';

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
            $this->identity(),
            $keeps ? new StateFile("{$directory}/engine-state", $this->warnings) : null,
            $keeps ? "{$directory}/cables" : '',
            $descriptors = new Descriptors($this->warnings),
            LocalZone::of(),
            new Reach(new DeviceRules([...($keeps ? ["{$directory}/devices"] : []), ...$this->settings->deviceFolders]), $this->settings->forbidden),
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
        $this->adoptFirst($engine, $read);
        $engine->start();
        $discovery = new ServiceDiscovery($engine->junction->plan(...));
        $discovery->start();
        $conversation = new JunctionLink($engine, $this->warnings, $this->faults, $descriptors, ShowMode::kept($directory), $discovery);
        $link = $this->settings->live === '' ? null : new Server(
            new Gate($this->settings->secret, $this->settings->origins),
            $conversation,
            $descriptors,
        );
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
            new TakingOn($engine, $this->revision),
            $conversation->people,
            $vitals,
            $conversation->showMode,
            $this->faults,
            "{$directory}/engine.sock",
        ) : null;
        $control?->start();
        $link?->start($this->settings->live);
        $this->watchPorts($engine);
        $this->introduce($engine);
        $notify = new ServiceManager();
        $notify->ready("Runs \"{$engine->junction->plan()->name}\"");
        $this->checkTheCompiler($end);
        $end->suspend();

        $notify->stopping();
        $discovery->stop();
        $link?->stop();
        $control?->stop();
        $this->events->note(EventKind::Restart, $this->distrust === '' ? 'The engine ends.' : 'The engine begins again without the compiler.');
        $engine->stop($this->distrust === '');
        $lock?->release();
        if ($this->distrust !== '') {
            Compilation::beginAgainWithout($this->distrust);
        }
    }

    /** A folder in the machine's memory that a service manager has made for us, or that is named; another name for each data folder. */
    private function inMemory(): ?StateFile
    {
        $folder = $this->settings->runtime;

        return $folder === '' || ! is_dir($folder) || ! is_writable($folder)
            ? null
            : new StateFile("{$folder}/state-".hash('xxh64', (string) realpath($this->settings->directory)), $this->warnings);
    }

    /** What is lost and found is written down; what stays lost is an alarm. */
    private function watchPorts(Engine $engine): void
    {
        $mail = new AlarmMail($this->settings->alarmCommand);
        $watch = new PortWatch($engine->junction, $this->events, $this->warnings, $this->settings->alarmSeconds, $mail->tell(...));
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

    /**
     * The stored show, or, when it cannot be read, the one that was running last.
     *
     * @param \Closure(): array{string, int} $read
     *
     * @throws ShowRefused
     */
    private function adoptFirst(Engine $engine, \Closure $read): void
    {
        try {
            [$json, $revision] = $read();
            $engine->adopt($json);
            $this->revision = $revision;
            $this->first = \strlen($json) > self::LONGEST_CHECKED ? '' : $json;

            return;
        } catch (ShowRefused $refused) {
            $wrong = $refused->getMessage();
        } catch (\Throwable $broken) {
            $this->faults->note('reading the show', $broken);
            $wrong = $broken->getMessage();
        }
        $last = $this->lastGood->read();
        if ($last === []) {
            throw $refused ?? ShowRefused::because(
                [new \NimbleJunction\Core\Document\Fault('', $wrong, 'Import a sound show document.')],
            );
        }
        $engine->adopt(json_encode(ShowLines::document($last), \JSON_THROW_ON_ERROR));
        $this->warnings->raise('show', "The stored show cannot be read, so the one that ran last is running. What is wrong: {$wrong} Change that part, or import a show.");
        $engine->whenAdopted(function (): void {
            $this->warnings->clear('show');
        });
    }

    private function introduce(Engine $engine): void
    {
        $live = $this->settings->live === '' ? '' : ", live link at {$this->settings->live}";
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

    /** In the first seconds, piece by piece: what the compiler makes must compute what it should. */
    private function checkTheCompiler(Ending $end): void
    {
        if (Compilation::distrust() !== '') {
            $this->warnings->raise(
                'compiler',
                'The engine runs without the compiler, at about half its speed, because compiled code computed wrong things: '.Compilation::distrust().'. Please report it, with the version of PHP: '.\PHP_VERSION.'.',
            );
        }
        if (! Compilation::isOn()) {
            return;
        }
        $check = SelfCheck::load($this->first);
        EventLoop::unreference(EventLoop::repeat(self::CHECK_SECONDS, function (string $callback) use ($check, $end): void {
            $wrong = $check->round();
            if ($wrong !== '' || $check->isOver()) {
                EventLoop::cancel($callback);
            }
            if ($wrong !== '' && $check->rounds() === 1) {
                // Nothing is hot yet, so it is not the compiler: beginning again would not help.
                $this->warnings->raise('check', "The engine's self-check does not come out as it should, before anything is compiled: {$wrong}. Is this a mixture of two versions? Install it anew.");

                return;
            }
            $this->distrust = $wrong;
            if ($this->distrust !== '') {
                ($this->say)("Compiled code computes wrong things ({$this->distrust}): the engine begins again without the compiler.");
                $end->now();
            }
        }));
    }

    /** The component identifier is made once and kept (ANSI E1.31-2018, 5.6). */
    private function identity(): Identity
    {
        $file = "{$this->settings->directory}/identity";
        $cid = $this->settings->directory !== '' && is_file($file)
            ? (string) hex2bin(trim((string) file_get_contents($file)))
            : '';
        if (\strlen($cid) !== 16) {
            $cid = random_bytes(16);
            if ($this->settings->directory !== '') {
                @file_put_contents($file, bin2hex($cid));
            }
        }

        return new Identity($cid);
    }
}
