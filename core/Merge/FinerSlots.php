<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

use NimbleJunction\Core\Signal\Frame;

/**
 * All slots of a universe that hold the second byte of a value, or all that hold
 * the third or fourth: bytes are brought to them from the slots one place
 * coarser, and back. Where every pair lies side by side that is a shift of the
 * whole string; elsewhere strtr() picks, with the levels as its table.
 */
final readonly class FinerSlots
{
    /** @var string 512 bytes: 255 in these slots */
    public string $mask;

    /** @var string 512 bytes: 255 in the slots one place coarser */
    private string $coarser;
    private bool $areSideBySide;
    private Gathering $down;
    private Gathering $up;

    /** @param array<int, int> $before by slot, the slot one place coarser */
    public function __construct(array $before)
    {
        $this->mask = Bytes::mask(array_keys($before));
        $this->coarser = Bytes::mask(array_values($before));
        $areSideBySide = true;
        foreach ($before as $slot => $coarser) {
            $areSideBySide = $areSideBySide && $slot === $coarser + 1;
        }
        $this->areSideBySide = $areSideBySide;
        $this->down = new Gathering($before);
        $this->up = new Gathering(array_flip($before));
    }

    /**
     * @param string $bytes 512 bytes
     *
     * @return string 512 bytes: in these slots what stood one place coarser, 0 elsewhere
     */
    public function fromCoarser(string $bytes): string
    {
        if ($this->areSideBySide) {
            return ("\0".substr($bytes, 0, Frame::SLOTS - 1)) & $this->mask;
        }

        return $this->down->of($bytes);
    }

    /**
     * The same, for whoever looks at these slots only: what stands in others is of no meaning.
     *
     * @param string $bytes 512 bytes
     */
    public function brought(string $bytes): string
    {
        return $this->areSideBySide ? "\0".substr($bytes, 0, Frame::SLOTS - 1) : $this->down->of($bytes);
    }

    /**
     * @param string $bytes 512 bytes
     *
     * @return string 512 bytes: in the slots one place coarser what stood in these, 0 elsewhere
     */
    public function toCoarser(string $bytes): string
    {
        if ($this->areSideBySide) {
            return (substr($bytes, 1)."\0") & $this->coarser;
        }

        return $this->up->of($bytes);
    }
}
