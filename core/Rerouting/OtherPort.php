<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rerouting;

use NimbleJunction\Core\Document\Field;

/** What is at one port is at another one from now on. */
final readonly class OtherPort implements Rerouting
{
    /** @param string $from '' for whichever it is now */
    public function __construct(private string $to, private Side $side, private string $from = '')
    {
    }

    public static function kind(): string
    {
        return 'port';
    }

    public static function label(): string
    {
        return 'Another port';
    }

    public static function fields(): array
    {
        return [
            Field::text('to', 'To port'),
            Field::choice('side', 'Of what', Side::class, Side::Heard),
            Field::text('from', 'Only from port; empty for any', ''),
        ];
    }

    public function summary(int $count): string
    {
        return "move {$count} routes to another port";
    }

    public function part(array $part, bool $isCause): array
    {
        $isMeant = \is_string($part['port'] ?? null) && ($this->from === '' || $part['port'] === $this->from);
        if ($isMeant && $this->side->has($isCause)) {
            $part['port'] = $this->to;
        }

        return $part;
    }
}
