<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Desk;

use NimbleJunction\Core\Desk\Desk;
use NimbleJunction\Core\Desk\Misread;
use NimbleJunction\Core\Live\Runner;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Route\Action\LineAction;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Signal\Message;

/** Lines that are sent to a desk one after the other, with a pause between; what was sent and what came back is kept. */
final class DeskRun
{
    public const MOST_LINES = 10_000;
    private const MOST_SAID = 400;

    public string $desk = '';

    /** @var list<string> */
    public array $lines = [];
    public int $sent = 0;
    public bool $isRunning = false;

    /** Why it ended before its end; '' where it did not. */
    public string $why = '';

    /** @var list<array{bool, string}> what was said: whether it is ours, and the words */
    public array $said = [];

    /** Counted on with every word. */
    public int $count = 0;
    /** @var list<array{Desk, string, string}> lines that are typed by themselves: where, what, by whom */
    private array $waiting = [];
    private string $by = '';
    private int $dueAt = \PHP_INT_MAX;
    private Plan $plan;

    /** @param \Closure(): Runner $runner */
    public function __construct(private readonly \Closure $runner)
    {
        $this->plan = Plan::empty();
    }

    public function adopt(Plan $plan): void
    {
        $this->plan = $plan;
        if ($this->isRunning && ! isset($plan->desks[$this->desk])) {
            $this->end('the desk is gone');
        }
    }

    /**
     * @param list<string> $lines
     *
     * @return string why not; '' when it has begun
     */
    public function start(string $desk, array $lines, string $by, int $now): string
    {
        $is = $this->plan->desks[$desk] ?? null;
        if ($is === null) {
            return 'there is no such desk';
        }
        if ($this->isRunning) {
            return 'lines are being sent already: stop that first';
        }
        if ($lines === [] || \count($lines) > self::MOST_LINES) {
            return 'one to '.self::MOST_LINES.' lines can be sent';
        }
        foreach ($lines as $i => $line) {
            $read = $is->read($line);
            if ($read instanceof Misread) {
                return 'line '.($i + 1).' is not sent, and none of the others: '.lcfirst($read->words());
            }
        }
        [$this->desk, $this->lines, $this->by, $this->sent, $this->why, $this->said] = [$desk, $lines, $by, 0, '', []];
        $this->isRunning = true;
        ++$this->count;
        $this->dueAt = $now;

        return '';
    }

    public function stop(): string
    {
        if (! $this->isRunning) {
            return 'nothing is being sent';
        }
        $this->end('somebody stopped it');

        return '';
    }

    public function dueAt(): int
    {
        return $this->waiting !== [] ? 0 : ($this->isRunning ? $this->dueAt : \PHP_INT_MAX);
    }

    public function goOn(int $now): void
    {
        foreach ($this->waiting as [$at, $one, $by]) {
            $this->type($at, $one, $by, $now);
        }
        $this->waiting = [];
        $desk = $this->plan->desks[$this->desk] ?? null;
        if ($desk === null || ! $this->isRunning || $this->dueAt > $now) {
            return;
        }
        $line = $this->lines[$this->sent] ?? null;
        if ($line !== null) {
            $this->type($desk, $line, $this->by, $now);
            ++$this->sent;
            $this->dueAt = $now + (int) round($desk->pause * 1e9);
        }
        if ($this->sent >= \count($this->lines)) {
            $this->end('');
        }
    }

    /** One line, by itself. @return string why not; '' when it is sent */
    public function typeOnce(string $desk, string $line, string $by): string
    {
        $is = $this->plan->desks[$desk] ?? null;
        $read = $is?->read($line);
        if ($is === null || $read === null) {
            return 'there is no such desk';
        }
        if ($read instanceof Misread) {
            return $read->words();
        }
        if (! $this->isRunning && $this->desk !== $desk) {
            [$this->desk, $this->lines, $this->sent, $this->why, $this->said] = [$desk, [], 0, '', []];
        }
        $this->waiting[] = [$is, $line, $by];

        return '';
    }

    /** Something has come in where the desk is. */
    public function heard(string $portId, Message $message): void
    {
        if ($portId === ($this->plan->desks[$this->desk]->port ?? '')) {
            $this->say(false, $message->spelled($this->plan->middleC));
        }
    }

    private function type(Desk $desk, string $line, string $by, int $now): void
    {
        $route = new Route(
            "desk.{$desk->id}",
            $desk->name,
            true,
            [],
            [],
            [],
            [new LineAction($desk->id, str_replace(['{', '}'], '', $line))],
        );
        ($this->runner)()->tried($route, 1.0, $by, $now);
        $read = $desk->read($line);
        $this->say(true, $read instanceof Misread ? $line : $read->form->rendered($read));
    }

    private function say(bool $isOurs, string $words): void
    {
        $this->said[] = [$isOurs, $words];
        if (\count($this->said) > self::MOST_SAID) {
            array_shift($this->said);
        }
        ++$this->count;
    }

    private function end(string $why): void
    {
        $this->isRunning = false;
        $this->why = $why;
        $this->dueAt = \PHP_INT_MAX;
        ++$this->count;
    }
}
