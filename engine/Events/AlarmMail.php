<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Events;

/**
 * Alarms leave by mail through a program of its own, so that no mail server, however slow, keeps the loop waiting. One runs
 * at a time; what comes meanwhile goes with the next one, at most once a minute.
 */
final class AlarmMail
{
    private const PAUSE_NANOS = 60_000_000_000;
    private const MOST = 50;

    /** @var list<string> */
    private array $waiting = [];

    /** @var resource|null */
    private $running;
    private int $begunAt = \PHP_INT_MIN;

    /** @param list<string> $command that is given the words, a line an alarm, on its standard input; empty for no mail */
    public function __construct(private readonly array $command)
    {
    }

    public function tell(string $words): void
    {
        if ($this->command !== [] && \count($this->waiting) < self::MOST) {
            $this->waiting[] = $words;
        }
    }

    /** Once a second. */
    public function look(int $now): void
    {
        if ($this->running !== null && proc_get_status($this->running)['running']) {
            return;
        }
        if ($this->running !== null) {
            proc_close($this->running);
            $this->running = null;
        }
        if ($this->waiting === [] || ($this->begunAt !== \PHP_INT_MIN && $now - $this->begunAt < self::PAUSE_NANOS)) {
            return;
        }
        $this->begunAt = $now;
        $text = tmpfile();
        if ($text === false) {
            return;
        }
        fwrite($text, implode("\n", $this->waiting)."\n");
        rewind($text);
        $this->waiting = [];
        $nowhere = ['file', '/dev/null', 'w'];
        $this->running = @proc_open($this->command, [0 => $text, 1 => $nowhere, 2 => $nowhere], $pipes) ?: null;
        fclose($text);
    }
}
