<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;

/** What notes mean, as it was agreed. */
final readonly class Agreed
{
    /** @var array<string, string> by channel (0 for any) and note */
    private array $names;

    /** @param array<string, AgreedNote> $notes */
    public function __construct(array $notes = [])
    {
        $names = [];
        foreach ($notes as $one) {
            $names[($one->channel ?? 0)." {$one->note}"] = $one->name;
        }
        $this->names = $names;
    }

    /** @return string ' "Doors"', to stand behind a note; '' where nothing was agreed */
    public function of(int $note, ?int $channel): string
    {
        $name = $this->names[($channel ?? 0)." {$note}"] ?? $this->names["0 {$note}"] ?? '';

        return $name === '' ? '' : " \"{$name}\"";
    }

    /** A message in words, with what its note means. */
    public function said(Message $message, int $middleC): string
    {
        return $message->spelled($middleC).($message instanceof Note ? $this->of($message->note, $message->channel) : '');
    }

    /** An address of ours for MIDI in words, with what its note means; null for another address. */
    public function address(string $address, int $middleC): ?string
    {
        $midi = MidiAddress::parse($address);

        return $midi === null
            ? null
            : $midi->spelled($middleC).($midi->kind === 'note' ? $this->of($midi->number, $midi->channel) : '');
    }
}
