<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Sending;
use NimbleJunction\Core\Message\MidiControl;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Signal\Protocol;

/** Controllers of MIDI ports that send: set, they are sent, and known by what was sent last. */
final class MidiControls extends PlanRoom
{
    private const CHANNELS = 16;

    /** @var array<string, int> what was sent last, by reference */
    private array $sent = [];

    /**
     * @param \Closure(Reference, int|float|string|null, int|float|string|null): void $changed a point has another value, and
     * had this one
     */
    public function __construct(private readonly Sending $sending, private readonly \Closure $changed)
    {
        parent::__construct();
    }

    public function adopt(Plan $plan): void
    {
        parent::adopt($plan);
        $isThere = fn(string $text): bool => ($reference = Reference::parse($text)) !== null
            && $this->control($reference) !== null;
        $this->sent = array_filter($this->sent, $isThere, \ARRAY_FILTER_USE_KEY);
    }

    public function kinds(): array
    {
        return ['midi'];
    }

    public function notice(): Notice
    {
        return Notice::Told;
    }

    public function describe(Reference $reference): ?Point
    {
        $control = $this->control($reference);

        return $control === null
            ? null
            : new Point(
                $reference,
                "{$this->plan->portName($reference->id)}, {$control->said()}",
                PointKind::Number,
                0.0,
                (float) $control->highest(),
                isSet: true,
            );
    }

    public function read(Reference $reference): ?int
    {
        return $this->sent[$reference->text()] ?? null;
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $control = $this->control($reference);
        if ($control === null || ! is_numeric($value)) {
            return $control === null ? 'there is no such MIDI port that sends' : 'it is a number from 0 to '.$control->highest();
        }
        $message = $control->message((float) $value);
        $is = (int) $message->arguments()[0];
        $before = $this->read($reference);
        // A line that goes on says nothing twice; whoever sets it anew may mean a device that has been switched off meanwhile.
        if ($before !== $is || ! $act->goesOn) {
            $this->sending->tick($reference->id, $message, $now);
            $this->sent[$reference->text()] = $is;
        }
        if ($before !== $is) {
            ($this->changed)($reference, $is, $before);
        }

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return 'it can be set, and not pressed';
    }

    public function all(): iterable
    {
        foreach ($this->plan->ports as $id => $port) {
            if ($port['protocol'] !== Protocol::Midi || ! $port['sends']) {
                continue;
            }
            foreach (range(1, self::CHANNELS) as $channel) {
                foreach (MidiControl::usual($channel) as $part) {
                    $reference = Reference::parse("midi:{$id}/{$part}");
                    if ($reference !== null) {
                        yield $reference;
                    }
                }
            }
        }
    }

    private function control(Reference $reference): ?MidiControl
    {
        $port = $this->plan->ports[$reference->id] ?? null;

        return $port === null || ! $port['sends'] || $port['protocol'] !== Protocol::Midi
            ? null
            : MidiControl::parse($reference->part);
    }
}
