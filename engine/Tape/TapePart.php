<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Tape;

/** A part of a tape with a name of its own. */
final readonly class TapePart
{
    public const MOST = 200;

    /**
     * @param float $from seconds from the beginning of the tape
     * @param float $to where it ends; 0 for the end of the tape
     */
    public function __construct(public string $id, public string $name, public float $from, public float $to)
    {
    }

    /** @param mixed $kept read with suspicion: the file may be anybody's */
    public static function read(mixed $kept): ?self
    {
        $id = \is_array($kept) ? $kept['id'] ?? null : null;
        $name = \is_array($kept) ? $kept['name'] ?? null : null;
        $from = \is_array($kept) ? $kept['from'] ?? null : null;
        $to = \is_array($kept) ? $kept['to'] ?? null : null;
        if (
            ! \is_string($id)
            || preg_match('#^[a-z0-9-]{1,60}$#D', $id) !== 1
            || ! \is_string($name)
            || ! is_numeric($from)
            || ! is_numeric($to)
        ) {
            return null;
        }

        return new self($id, mb_substr($name, 0, TapeLabel::LONGEST_NAME), max(0.0, (float) $from), max(0.0, (float) $to));
    }

    /** @return array<string, float|string> */
    public function kept(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'from' => $this->from, 'to' => $this->to];
    }
}
