<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Tape;

use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;

/** Tapes as points: pressed they play or stop, or play a part; whether they play, and go round. */
final class TapePoints extends PlanRoom
{
    private const PARTS = ['', 'play', 'stop', 'running', 'loop'];

    /** What stands before the id of a part that somebody named. */
    private const OF = 'part/';

    /** Null where nobody keeps tapes. */
    public ?Deck $deck = null;

    public function kinds(): array
    {
        return ['tape'];
    }

    public function notice(): Notice
    {
        return Notice::Looked;
    }

    public function describe(Reference $reference): ?Point
    {
        $name = $this->deck?->names()[$reference->id] ?? null;
        $part = $this->part($reference);
        if ($name !== null && $part !== null) {
            return new Point($reference, "Tape {$name}, part {$part[1]}", PointKind::Press, isPressed: true);
        }
        if ($name === null || ! \in_array($reference->part, self::PARTS, true)) {
            return null;
        }
        $name = "Tape {$name}".($reference->part === '' ? '' : ", {$reference->part}");

        return \in_array($reference->part, ['running', 'loop'], true)
            ? new Point($reference, $name, PointKind::Switch, isSet: true, isPressed: true)
            : new Point($reference, $name, PointKind::Press, isPressed: true);
    }

    public function read(Reference $reference): ?int
    {
        return match ($reference->part) {
            'running' => (int) ($this->deck?->isPlaying($reference->id) ?? false),
            'loop' => (int) ($this->deck?->loops($reference->id) ?? false),
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $isOn = (float) $value > 0.0;

        return match (true) {
            $this->describe($reference) === null || $this->deck === null => 'there is no such tape',
            $reference->part === 'loop' => $this->deck->setLoop($reference->id, $isOn),
            $reference->part === 'running' => $isOn ? $this->deck->play($reference->id) : $this->deck->stop($reference->id),
            default => $isOn ? $this->press($reference, $act, $now) : '',
        };
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $id = $reference->id;

        return match (true) {
            $this->describe($reference) === null || $this->deck === null => 'there is no such tape',
            ($part = $this->part($reference)) !== null => $this->deck->play($id, $part[0]),
            $reference->part === 'play' => $this->deck->play($id),
            $reference->part === 'stop' => $this->deck->stop($id),
            $reference->part === 'loop' => $this->deck->setLoop($id, ! $this->deck->loops($id)),
            default => $this->deck->isPlaying($id) ? $this->deck->stop($id) : $this->deck->play($id),
        };
    }

    public function all(): iterable
    {
        foreach (array_keys($this->deck?->names() ?? []) as $id) {
            $parts = array_map(
                static fn(int|string $one): string => self::OF.$one,
                array_keys($this->deck?->parts((string) $id) ?? []),
            );
            foreach ([...self::PARTS, ...$parts] as $part) {
                $reference = Reference::parse("tape:{$id}".($part === '' ? '' : "/{$part}"));
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }

    /** @return array{string, string}|null id and name of the part that it plays; null for what is none */
    private function part(Reference $reference): ?array
    {
        $id = str_starts_with($reference->part, self::OF) ? substr($reference->part, \strlen(self::OF)) : '';
        $name = $id === '' ? null : $this->deck?->parts($reference->id)[$id] ?? null;

        return $name === null ? null : [$id, $name];
    }
}
