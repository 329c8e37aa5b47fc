<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Universe;

/** How a universe takes its sources. */
final readonly class Rules
{
    /**
     * @param string $latest one byte a slot, not 0 where the latest takes precedence; for a rule slot by slot
     * @param string $chosen the port whose sources alone lead; for one chosen source only
     */
    public function __construct(
        public MergeRule $merge = MergeRule::Htp,
        public WhenLost $whenLost = new WhenLost(),
        public string $latest = '',
        public string $chosen = '',
    ) {
    }

    /** @param string $latest one byte a slot, not 0 where the latest takes precedence besides */
    public function andLatest(string $latest): self
    {
        return new self($this->merge, $this->whenLost, $this->latest | $latest, $this->chosen);
    }

    public function merger(): Merger
    {
        return match ($this->merge) {
            MergeRule::Htp, MergeRule::Chosen => new HtpMerger(),
            MergeRule::Ltp => new LtpMerger(),
            MergeRule::Slot => new SlotwiseMerger($this->latest),
        };
    }
}
