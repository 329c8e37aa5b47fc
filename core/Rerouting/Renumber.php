<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rerouting;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\MidiAddress;

/** Notes, controllers or programs get numbers so many higher or lower. */
final readonly class Renumber implements Rerouting
{
    /** Kinds of parts, and their fields, by what is counted. */
    private const FIELDS = [
        'note' => [
            'note' => ['note', 'last'],
            'note-on' => ['note', 'last'],
            'note-off' => ['note', 'last'],
            'key-pressure' => ['note'],
        ],
        'controller' => ['controller' => ['controller'], 'relative' => ['controller'], 'buttons' => ['up', 'down']],
        'program' => ['program' => ['program']],
    ];

    public function __construct(private string $what, private int $by, private Side $side)
    {
    }

    public static function kind(): string
    {
        return 'renumber';
    }

    public static function label(): string
    {
        return 'Give other numbers';
    }

    public static function fields(): array
    {
        return [
            Field::word('what', 'Numbers of', array_keys(self::FIELDS), 'note'),
            Field::whole('by', 'So many higher, or lower', -127, 127),
            Field::choice('side', 'Of what', Side::class, Side::Heard),
        ];
    }

    public function summary(int $count): string
    {
        return "renumber the {$this->what}s of {$count} routes by {$this->by}";
    }

    public function part(array $part, bool $isCause): array
    {
        if (! $this->side->has($isCause)) {
            return $part;
        }
        $kind = \is_string($part['kind'] ?? null) ? $part['kind'] : '';
        foreach (self::FIELDS[$this->what][$kind] ?? [] as $field) {
            if (\is_int($part[$field] ?? null)) {
                $part[$field] += $this->by;
            }
        }
        $address = \is_string($part['address'] ?? null) ? MidiAddress::parse($part['address']) : null;
        if ($address !== null && $address->kind === $this->what && \in_array($this->what, MidiAddress::NUMBERED, true)) {
            $part['address'] = "/{$address->kind}/{$address->channel}/".($address->number + $this->by);
        }

        return $part;
    }
}
