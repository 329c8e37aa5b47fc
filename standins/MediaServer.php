<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\NodePort;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\ArtNet\Poll;
use NimbleJunction\Core\Wire\ArtNet\PollReply;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet as Osc;
use NimbleJunction\StandIn\Link\Datagrams;
use NimbleJunction\StandIn\Link\Habits;
use Revolt\EventLoop;

/**
 * Throws moving pictures: three layers, each with six slots of an Art-Net
 * universe (clip, opacity, across, up, size, effect) that OSC can set too, and
 * OSC back whenever a layer has changed. The latest of the two leads.
 */
final class MediaServer implements Device
{
    public const LAYERS = 3;
    public const PARAMETERS = ['clip', 'opacity', 'across', 'up', 'size', 'effect'];
    private const FEEDBACK_EVERY_SECONDS = 0.1;

    /** @var array<int, array<string, float>> 0 to 1 by layer and parameter */
    private array $layers;

    /** @var array<string, float> what the other end was told last, by address */
    private array $told = [];
    private string $slots = '';
    private int $packets = 0;
    private string $heard = '';
    private readonly Habits $habits;
    private ?Datagrams $artNet = null;
    private ?Datagrams $osc = null;
    private ?string $timer = null;

    /** @param string $to address that its feedback goes to */
    public function __construct(
        private readonly string $id,
        private readonly string $name,
        private readonly string $address,
        private readonly int $portAddress,
        private readonly string $to,
        private readonly int $oscPort,
        private readonly int $feedbackPort,
    ) {
        $this->layers = array_fill(
            0,
            self::LAYERS,
            ['clip' => 0.0, 'opacity' => 0.0, 'across' => 0.5, 'up' => 0.5, 'size' => 0.5, 'effect' => 0.0],
        );
        $this->habits = new Habits(Habits::WRONG_UNIVERSE, Habits::SWAPPED, Habits::LOSS, Habits::JITTER);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->artNet = new Datagrams($this->address, ArtNet::UDP_PORT, $this->levels(...));
        $this->osc = new Datagrams($this->address, $this->oscPort, $this->message(...));
        $this->timer = EventLoop::repeat(self::FEEDBACK_EVERY_SECONDS, $this->tell(...));
    }

    public function stop(): void
    {
        EventLoop::cancel($this->timer ?? '');
        $this->artNet?->close();
        $this->osc?->close();
        $this->artNet = $this->osc = null;
    }

    public function state(): array
    {
        return [
            'id' => $this->id,
            'kind' => 'media',
            'name' => $this->name,
            'address' => $this->address,
            'protocol' => 'Art-Net and OSC',
            'portAddress' => $this->listensTo(), 'osc' => $this->oscPort, 'feedback' => "{$this->to}:{$this->feedbackTo()}",
            'layers' => array_map(
                static fn(array $layer): array => array_map(static fn(float $one): float => round($one, 3), $layer),
                $this->layers,
            ),
            'packets' => $this->packets, 'heard' => $this->heard, 'habits' => $this->habits->state(),
        ];
    }

    public function play(string $control, array $values): void
    {
        match ($control) {
            'habit' => $this->habits->play($values),
            'layer' => $this->layers[Values::whole(
                $values,
                'layer',
                1,
                self::LAYERS,
            ) - 1][Values::word($values, 'parameter', self::PARAMETERS)] = Values::number($values, 'value', 0, 1),
            default => throw new \InvalidArgumentException("{$this->name} has no control \"{$control}\"."),
        };
    }

    private function listensTo(): int
    {
        return $this->portAddress + ($this->habits->has(Habits::WRONG_UNIVERSE) ? 1 : 0);
    }

    /** Swapped: the feedback goes to the number that it listens at itself. */
    private function feedbackTo(): int
    {
        return $this->habits->has(Habits::SWAPPED) ? $this->oscPort : $this->feedbackPort;
    }

    private function levels(string $bytes, string $from): void
    {
        try {
            $packet = ArtNet::decode($bytes);
        } catch (Malformed) {
            return;
        }
        if ($packet instanceof Poll) {
            $number = $this->listensTo();
            $this->artNet?->send(
                (new PollReply(
                    $this->address,
                    $this->name,
                    $this->name,
                    [NodePort::output($number & 15)],
                    $number >> 8,
                    $number >> 4 & 15,
                ))->encode(),
                $from,
            );
        } elseif ($packet instanceof Dmx && $packet->portAddress === $this->listensTo()) {
            ++$this->packets;
            foreach (range(0, self::LAYERS - 1) as $layer) {
                foreach (self::PARAMETERS as $i => $parameter) {
                    $slot = $layer * \count(self::PARAMETERS) + $i;
                    // Only what moved: a level that stands still does not fight with OSC.
                    if (($packet->levels[$slot] ?? '') !== ($this->slots[$slot] ?? '')) {
                        $this->layers[$layer][$parameter] = \ord($packet->levels[$slot] ?? "\0") / 255;
                    }
                }
            }
            $this->slots = $packet->levels;
        }
    }

    private function message(string $bytes): void
    {
        try {
            $messages = Osc::decode($bytes);
        } catch (Malformed) {
            return;
        }
        foreach ($messages as $message) {
            $this->heard = $message->spelled();
            $value = $message->arguments[0]->value ?? null;
            $isLayer = preg_match('#^/canopy/layer/([1-3])/(\w+)$#D', $message->address, $found) === 1;
            if ($isLayer && \in_array($found[2], self::PARAMETERS, true) && (\is_float($value) || \is_int($value))) {
                $this->layers[(int) $found[1] - 1][$found[2]] = max(0.0, min(1.0, (float) $value));
                // Whoever set it knows: no echo.
                $this->told[$message->address] = $this->layers[(int) $found[1] - 1][$found[2]];
            }
        }
    }

    private function tell(): void
    {
        foreach ($this->layers as $i => $layer) {
            foreach ($layer as $parameter => $value) {
                $address = '/canopy/layer/'.($i + 1)."/{$parameter}";
                if (($this->told[$address] ?? null) !== $value) {
                    $this->told[$address] = $value;
                    $bytes = (new Message($address, [Argument::float($value)]))->encode();
                    $this->habits->send(fn() => $this->osc?->send($bytes, "{$this->to}:{$this->feedbackTo()}"));
                }
            }
        }
    }
}
