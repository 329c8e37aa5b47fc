<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\LiveLink\Gate;
use NimbleJunction\Engine\LiveLink\Server;
use Revolt\EventLoop;

/** One engine process from start to end: adopts the show, opens its doors, runs the loop until told to stop. */
final readonly class Runner
{
    public function __construct(private Settings $settings)
    {
    }

    /**
     * @param string $document the show, as JSON
     * @param \Closure(string): void $say one line for whoever started it
     *
     * @throws ShowRefused|\Amp\Socket\SocketException
     */
    public function run(string $document, \Closure $say): void
    {
        $directory = $this->settings->directory;
        $keeps = $directory !== '';
        $engine = new Engine($this->identity(), $keeps ? new StateFile("{$directory}/engine-state.json") : null, $keeps ? "{$directory}/cables" : '');
        $engine->adopt($document);
        $engine->start();
        $control = $keeps ? new ControlSocket($engine, "{$directory}/engine.sock") : null;
        $control?->start();
        $link = $this->settings->live === '' ? null : new Server(new Gate($this->settings->secret, $this->settings->origins), new JunctionLink($engine));
        $link?->start($this->settings->live);

        $suspension = EventLoop::getSuspension();
        $ended = false;
        $end = static function () use ($suspension, &$ended): void {
            if (! $ended) {
                $ended = true;
                $suspension->resume();
            }
        };
        $callbacks = [EventLoop::onSignal(\SIGTERM, $end), EventLoop::onSignal(\SIGINT, $end)];
        if ($this->settings->seconds !== null) {
            $callbacks[] = EventLoop::delay($this->settings->seconds, $end);
        }
        $say('The engine runs "'.$engine->junction->plan()->name.'"'.($this->settings->live === '' ? '' : ", live link at {$this->settings->live}").'.');
        foreach (array_keys($engine->junction->plan()->ports) as $port) {
            $fault = $engine->junction->activity($port)->fault;
            if ($fault !== '') {
                $say("{$engine->junction->plan()->portName($port)}: {$fault}");
            }
        }
        $suspension->suspend();
        array_map(EventLoop::cancel(...), $callbacks);
        $link?->stop();
        $control?->stop();
        $engine->stop();
    }

    /** The component identifier is made once and kept (ANSI E1.31-2018, 5.6). */
    private function identity(): Identity
    {
        $file = "{$this->settings->directory}/identity";
        $cid = $this->settings->directory !== '' && is_file($file) ? (string) hex2bin(trim((string) file_get_contents($file))) : '';
        if (\strlen($cid) !== 16) {
            $cid = random_bytes(16);
            if ($this->settings->directory !== '') {
                file_put_contents($file, bin2hex($cid));
            }
        }

        return new Identity($cid);
    }
}
