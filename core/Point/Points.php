<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Point;

/** The registry of everything that has a value: a room for each kind of reference. */
final class Points implements Readings
{
    /** @var array<string, PointRoom> by kind */
    private array $rooms = [];

    /** @var list<PointRoom> each once, however many kinds it has */
    private array $all = [];

    /** @var (\Closure(Reference, Act): void)|null somebody who sees who sets what; null as long as nobody does */
    public ?\Closure $watcher = null;

    /** @param (\Closure(Reference): void)|null $pressed a point has been pressed */
    public function __construct(private readonly ?\Closure $pressed = null)
    {
    }

    public function add(PointRoom $room): void
    {
        $this->all[] = $room;
        foreach ($room->kinds() as $kind) {
            $this->rooms[$kind] = $room;
        }
    }

    /** How it becomes known that it has another value; null where there is no such kind. */
    public function notice(Reference $reference): ?Notice
    {
        return ($this->rooms[$reference->kind] ?? null)?->notice();
    }

    /** @return array{string, list<int>} the universe, and its slots from 0, that it hangs on */
    public function slots(Reference $reference): array
    {
        return ($this->rooms[$reference->kind] ?? null)?->slots($reference) ?? ['', []];
    }

    public function describe(Reference $reference): ?Point
    {
        return ($this->rooms[$reference->kind] ?? null)?->describe($reference);
    }

    public function read(Reference $reference): int|float|string|null
    {
        return ($this->rooms[$reference->kind] ?? null)?->read($reference);
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $refusal = ($this->rooms[$reference->kind] ?? null)?->set($reference, $value, $act, $now) ?? self::unknown($reference);
        if ($refusal === '' && $this->watcher !== null) {
            ($this->watcher)($reference, $act);
        }

        return $refusal;
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $refusal = ($this->rooms[$reference->kind] ?? null)?->press($reference, $act, $now) ?? self::unknown($reference);
        if ($refusal === '' && $this->pressed !== null) {
            ($this->pressed)($reference);
        }

        return $refusal;
    }

    /** @return string why it cannot be let go; '' when it is done */
    public function letGo(Reference $reference, string $owner, int $now): string
    {
        return ($this->rooms[$reference->kind] ?? null)?->letGo($reference, $owner, $now) ?? self::unknown($reference);
    }

    /** @return int|float|null what it would be if an owner gave nothing */
    public function without(Reference $reference, string $owner): int|float|null
    {
        return ($this->rooms[$reference->kind] ?? null)?->without($reference, $owner);
    }

    /** @return list<Reference> points that fade by themselves */
    public function members(Reference $reference): array
    {
        return ($this->rooms[$reference->kind] ?? null)?->members($reference) ?? [];
    }

    /** @return list<Point> whose name or reference holds all of these words, at most so many */
    public function find(string $text, int $most): array
    {
        $words = array_filter(explode(' ', mb_strtolower($text)), static fn(string $word): bool => $word !== '');
        $named = Reference::parse(trim($text));
        $exact = $named === null ? null : $this->describe($named);
        $found = $exact === null ? [] : [$exact];
        foreach ($this->all as $room) {
            foreach ($room->all() as $reference) {
                $point = $room->describe($reference);
                $line = $point === null ? '' : mb_strtolower("{$point->name} {$reference->text()}");
                $isMeant = array_filter($words, static fn(string $word): bool => ! str_contains($line, $word)) === [];
                if ($point !== null && $isMeant && $exact?->reference->text() !== $reference->text()) {
                    $found[] = $point;
                }
                if (\count($found) >= $most) {
                    return $found;
                }
            }
        }

        return $found;
    }

    private static function unknown(Reference $reference): string
    {
        return "there is no point {$reference->text()}";
    }
}
