<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Point;

/** What a point is called in documents, on pages and in traces: "kind:id" or "kind:id/part". */
final readonly class Reference
{
    public const PATTERN = '#^([a-z]+):([a-z0-9-]{1,60})(?:/([^\x00-\x1F/]{1,120}(?:/[^\x00-\x1F/]{1,120})?(?:/leaves)?))?$#uD';
    public const RULE = 'Name a point as kind:id or kind:id/part, like slot:palm-house/5, fixture:lantern/level or value:house-open.';

    private function __construct(public string $kind, public string $id, public string $part)
    {
    }

    public static function parse(string $text): ?self
    {
        return preg_match(self::PATTERN, $text, $found) === 1 ? new self($found[1], $found[2], $found[3] ?? '') : null;
    }

    /** @return int|null the slot that the part names, 0 to 511; null where it names none */
    public function slot(): ?int
    {
        $isSlot = preg_match('/^[1-9]\d{0,2}$/D', $this->part) === 1 && (int) $this->part <= 512;

        return $isSlot ? (int) $this->part - 1 : null;
    }

    public function text(): string
    {
        return "{$this->kind}:{$this->id}".($this->part === '' ? '' : "/{$this->part}");
    }
}
