<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Preview;

use NimbleJunction\Core\Codec\MidiCodec;
use NimbleJunction\Core\Codec\OscCodec;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Terms;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;

/** A turn in which nothing happens: it writes down what would. */
final class DryTurn implements Turn
{
    /** More than this is not written down. */
    private const MOST = 60;

    /** @var list<Line> */
    public array $lines = [];
    private int $rounds = 0;

    public function __construct(private readonly Wording $wording)
    {
    }

    public function set(Reference $reference, int|float|string $value, Terms $terms): void
    {
        $to = \is_float($value) ? Template::number($value) : (string) $value;
        $fade = $terms->fade > 0.0 ? ' in '.Template::number($terms->fade).' s' : '';
        $this->add(new Line("set {$this->wording->point($reference->text())} to {$to}{$fade}"));
    }

    public function end(Reference $reference, Terms $terms): void
    {
        $fade = $terms->ends === Terms::FADE && $terms->out > 0.0 ? ', fading out in '.Template::number($terms->out).' s' : '';
        $this->add(new Line("let go of {$this->wording->point($reference->text())}{$fade}"));
    }

    public function press(Reference $reference): void
    {
        $this->add(new Line("press {$this->wording->point($reference->text())}"));
    }

    public function stop(Reference $route): void
    {
        $this->add(new Line("stop what {$this->wording->point($route->text())} was to do later"));
    }

    public function mayRepeat(): bool
    {
        return ++$this->rounds <= self::MOST;
    }

    /** What is so when it runs nobody knows: it is repeated as often as it may be. */
    public function holds(array $conditions, float $value): bool
    {
        return false;
    }

    public function send(string $portId, Message $message): void
    {
        $bytes = ($message->protocol === Protocol::Osc ? new OscCodec() : new MidiCodec())->write($message);
        $spelled = $message->spelled($this->wording->middleC());
        $this->add(new Line("send {$spelled} on {$this->wording->port($portId)}", bin2hex($bytes)));
    }

    public function type(string $desk, string $line): void
    {
        $this->add(new Line("type \"{$line}\" at desk {$desk}"));
    }

    public function waits(float $seconds): void
    {
        $this->add(new Line('wait '.Template::number($seconds).' s'));
    }

    public function isFull(): bool
    {
        return \count($this->lines) > self::MOST;
    }

    private function add(Line $line): void
    {
        if (\count($this->lines) < self::MOST) {
            $this->lines[] = $line;
        } elseif (\count($this->lines) === self::MOST) {
            $this->lines[] = new Line('and so on');
        }
    }
}
