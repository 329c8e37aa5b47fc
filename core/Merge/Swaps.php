<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/** Runs of slots that change places as they come in: from there on everything is spoken of in the slots of the output. */
final readonly class Swaps
{
    /** @param list<Swap> $swaps */
    public function __construct(private array $swaps)
    {
    }

    /** @param string $bytes one a slot, up to 512: only their places change; what was not sent counts as 0 */
    public function exchange(string $bytes): string
    {
        foreach ($this->swaps as $swap) {
            $reach = max($swap->first, $swap->with) + $swap->count - 1;
            $bytes = str_pad($bytes, $reach, "\0");
            $one = substr($bytes, $swap->first - 1, $swap->count);
            $other = substr($bytes, $swap->with - 1, $swap->count);
            $bytes = substr_replace(
                substr_replace($bytes, $other, $swap->first - 1, $swap->count),
                $one,
                $swap->with - 1,
                $swap->count,
            );
        }

        return $bytes;
    }

    /** @param string $bytes 512 bytes as exchange() gave them; they go back to where they were */
    public function undo(string $bytes): string
    {
        return (new self(array_reverse($this->swaps)))->exchange($bytes);
    }

    /**
     * The sender's slot that comes out here, in words; '' for the same.
     *
     * @param int $slot 0 to 511
     */
    public function explain(int $slot): string
    {
        $from = $slot;
        foreach (array_reverse($this->swaps) as $swap) {
            $first = $swap->first - 1;
            $with = $swap->with - 1;
            if ($from >= $first && $from < $first + $swap->count) {
                $from += $with - $first;
            } elseif ($from >= $with && $from < $with + $swap->count) {
                $from += $first - $with;
            }
        }

        return $from === $slot ? '' : 'As it comes in it changes places with slot '.($from + 1).'.';
    }
}
