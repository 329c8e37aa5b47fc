<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Discovery;

use Revolt\EventLoop;

/** A program of the system that runs beside the engine, says lines, and ends with it. */
final class Program
{
    /** @var resource|null */
    private $process;

    /** @var resource|null */
    private $output;
    private string $onReadable = '';
    private string $rest = '';

    /**
     * @param list<string> $command
     * @param \Closure(string): void $line told each line that it says
     */
    public function __construct(array $command, private readonly \Closure $line)
    {
        // Also where the engine is killed: nobody is left announcing it.
        $command = is_executable('/usr/bin/setpriv') ? ['/usr/bin/setpriv', '--pdeathsig', 'TERM', ...$command] : $command;
        $process = @proc_open($command, [['file', '/dev/null', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']], $pipes);
        if ($process === false) {
            return;
        }
        $this->process = $process;
        $this->output = $pipes[1];
        stream_set_blocking($pipes[1], false);
        $this->onReadable = EventLoop::unreference(EventLoop::onReadable($pipes[1], $this->read(...)));
    }

    public function isRunning(): bool
    {
        return $this->process !== null && proc_get_status($this->process)['running'];
    }

    public function end(): void
    {
        EventLoop::cancel($this->onReadable);
        if ($this->output !== null) {
            fclose($this->output);
            $this->output = null;
        }
        if ($this->process !== null) {
            proc_terminate($this->process);
            proc_close($this->process);
            $this->process = null;
        }
    }

    private function read(): void
    {
        $bytes = $this->output === null ? false : @fread($this->output, 8192);
        if ($bytes === false || ($bytes === '' && $this->output !== null && feof($this->output))) {
            EventLoop::cancel($this->onReadable);

            return;
        }
        $lines = explode("\n", $this->rest.$bytes);
        // A line without end is no line.
        $this->rest = substr((string) array_pop($lines), 0, 8192);
        foreach ($lines as $line) {
            ($this->line)($line);
        }
    }
}
