<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Route\Route;

/** What the control of one route shows now, and when it may be told something else. */
final class Showing
{
    /** Time without a message from the control after which no hand is on it. Our own choice. */
    public const HAND_RESTS_NANOS = 300_000_000;

    /**
     * Texts and colours beside it are told no more often: eight displays on one cable of MIDI have no room for more. Our own
     * choice.
     */
    private const BESIDES_NANOS = 100_000_000;

    /** @var string|null bytes of the message that it shows; null where that is not known */
    public ?string $shown = null;
    public ?float $value = null;
    /** The value of the point that it was told of last; null where it knows nothing yet. */
    public ?float $told = null;
    public ?int $heardAt = null;

    /** @var list<array{string, int}> what it was told lately, and when: it may all come back */
    private array $lately = [];
    public ?int $sentAt = null;
    private ?int $besidesAt = null;

    /** How often it has sent back what it was told. */
    public int $echoes = 0;

    /** Rises with every change of what it shows. */
    public int $changes = 0;

    public function __construct(public readonly Route $route)
    {
    }

    public function show(?string $bytes, ?float $value): void
    {
        $this->changes += (int) ($bytes !== $this->shown);
        $this->shown = $bytes;
        $this->value = $value;
    }

    /** It was told something. */
    public function told(string $bytes, int $now, int $lately): void
    {
        $this->sentAt = $now;
        $this->lately = array_values(array_filter($this->lately, static fn(array $one): bool => $now - $one[1] < $lately));
        $this->lately[] = [$bytes, $now];
    }

    /** Whether it was told this within a time, and no hand has moved it since. */
    public function wasTold(string $bytes, int $now, int $lately): bool
    {
        foreach ($this->lately as [$one, $at]) {
            if ($one === $bytes && $now - $at < $lately && ($this->heardAt === null || $this->heardAt < $at)) {
                return true;
            }
        }

        return false;
    }

    /** All that it shows is not known any more. */
    public function forget(): void
    {
        $this->show(null, null);
        $this->told = null;
        $this->heardAt = null;
        $this->besidesAt = null;
    }

    /** What stands beside it was told. */
    public function toldBesides(int $now): void
    {
        $this->besidesAt = $now;
    }

    /** When what stands beside it may be told. */
    public function besidesMayBeToldAt(int $now): int
    {
        return $this->besidesAt === null ? $now : max($now, $this->besidesAt + self::BESIDES_NANOS);
    }

    /** When it may be told: no motor moves while a hand is on it, a lamp does at once; neither too often. */
    public function mayBeToldAt(int $now): int
    {
        $gap = (int) round(($this->route->back?->gap() ?? 0.0) * 1e9);

        return max(
            $now,
            $this->heardAt === null || $this->route->back?->isWhatItSends() !== true
                ? $now
                : $this->heardAt + self::HAND_RESTS_NANOS,
            $this->sentAt === null ? $now : $this->sentAt + $gap,
        );
    }
}
