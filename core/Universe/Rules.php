<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Merge\HtpMerger;
use NimbleJunction\Core\Merge\LtpMerger;
use NimbleJunction\Core\Merge\Merger;
use NimbleJunction\Core\Merge\MergeRule;
use NimbleJunction\Core\Merge\SlotwiseMerger;
use NimbleJunction\Core\Merge\Swaps;
use NimbleJunction\Core\Merge\WideParameters;
use NimbleJunction\Core\Signal\Frame;

/** How a universe takes its sources. */
final readonly class Rules
{
    /**
     * @param string $latest one byte a slot, not 0 where the latest takes precedence; for a rule slot by slot
     * @param string $chosen the port whose sources alone lead; for one chosen source only
     * @param WideParameters $wide what the patch knows of parameters of several slots
     * @param string $defaults 512 bytes: what the patch says that slots have while nobody gives them a level; '' for 0
     * @param Swaps|null $swaps what changes places as it comes in; null for nothing
     */
    public function __construct(
        public MergeRule $merge = MergeRule::Htp,
        public WhenLost $whenLost = new WhenLost(),
        public string $latest = '',
        public string $chosen = '',
        public WideParameters $wide = new WideParameters(),
        public ?Swaps $swaps = null,
        public string $defaults = '',
    ) {
    }

    /**
     * @param string $latest 512 bytes, not 0 where the patch says that the latest takes precedence; for a rule slot by slot
     * @param string $defaults 512 bytes
     */
    public function patched(string $latest, WideParameters $wide, string $defaults = ''): self
    {
        $latest = $this->merge === MergeRule::Slot ? str_pad($this->latest, Frame::SLOTS, "\0") | $latest : $this->latest;

        return new self($this->merge, $this->whenLost, $latest, $this->chosen, $wide, $this->swaps, $defaults);
    }

    /** @return string 512 bytes: 255 in the slots where the latest takes precedence, of a wide parameter in all or none */
    public function latestMask(): string
    {
        return match ($this->merge) {
            MergeRule::Htp, MergeRule::Chosen => Bytes::$none,
            MergeRule::Ltp => Bytes::$all,
            MergeRule::Slot => $this->wide->byCoarse(Bytes::filled(str_pad($this->latest, Frame::SLOTS, "\0"))),
        };
    }

    public function mergeAlike(self $other): bool
    {
        return $this->merge === $other->merge
            && $this->latest === $other->latest
            && $this->chosen === $other->chosen
            && $this->wide->equal($other->wide)
            && $this->swaps == $other->swaps;
    }

    public function merger(): Merger
    {
        return match ($this->merge) {
            MergeRule::Htp, MergeRule::Chosen => new HtpMerger($this->wide),
            MergeRule::Ltp => new LtpMerger($this->wide),
            MergeRule::Slot => new SlotwiseMerger($this->latestMask(), $this->wide),
        };
    }
}
