<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Constrained;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Show\Side\ArtNetReceive;
use NimbleJunction\Core\Show\Side\ArtNetSend;
use NimbleJunction\Core\Show\Side\DmxLineReceive;
use NimbleJunction\Core\Show\Side\DmxLineSend;
use NimbleJunction\Core\Show\Side\GameControllerReceive;
use NimbleJunction\Core\Show\Side\MidiReceive;
use NimbleJunction\Core\Show\Side\MidiSend;
use NimbleJunction\Core\Show\Side\OscReceive;
use NimbleJunction\Core\Show\Side\OscSend;
use NimbleJunction\Core\Show\Side\ReceiveSide;
use NimbleJunction\Core\Show\Side\SacnReceive;
use NimbleJunction\Core\Show\Side\SacnSend;
use NimbleJunction\Core\Show\Side\SendSide;
use NimbleJunction\Core\Signal\Protocol;

/** One end of a link: it receives, sends, or does both. */
final readonly class PortEntry implements Part, Checked, Constrained
{
    private const RECEIVES = [
        'art-net' => ArtNetReceive::class,
        'sacn' => SacnReceive::class,
        'osc' => OscReceive::class,
        'dmx-line' => DmxLineReceive::class,
        'midi' => MidiReceive::class,
        'controller' => GameControllerReceive::class,
    ];

    /** A game controller has nothing to send to. */
    private const SENDS = [
        'art-net' => ArtNetSend::class,
        'sacn' => SacnSend::class,
        'osc' => OscSend::class,
        'dmx-line' => DmxLineSend::class,
        'midi' => MidiSend::class,
    ];

    public LinkEntry $link;

    /** @param list<string> $allow IPv4 addresses or networks ("10.0.0.0/8") that it listens to; empty for all */
    public function __construct(
        public string $id,
        public string $name,
        public Protocol $protocol,
        public bool $enabled,
        ?LinkEntry $link,
        public ?ReceiveSide $receive,
        public ?SendSide $send,
        public array $allow = [],
    ) {
        $this->link = $link ?? LinkEntry::usual($protocol);
    }

    public static function label(): string
    {
        return 'Port';
    }

    public static function fields(): array
    {
        $protocols = [];
        foreach (Protocol::cases() as $protocol) {
            $protocols[$protocol->value] = $protocol->spelled();
        }

        return [
            Field::id(),
            Field::name(),
            Field::choice('protocol', 'Protocol', Protocol::class)->called($protocols),
            Field::object('link', 'Over', LinkEntry::class, false),
            Field::flag('enabled', 'Enabled', true),
            Field::networks('allow', 'Listen only to these addresses', 64)->meaning(
                'Senders that it listens to, addresses or networks; without it, all.',
            ),
            Field::side('receive', 'Receives', 'protocol', self::RECEIVES),
            Field::side('send', 'Sends', 'protocol', self::SENDS),
        ];
    }

    public static function constraint(): array
    {
        return ['anyOf' => [['required' => ['receive']], ['required' => ['send']]]];
    }

    public function check(Fields $fields): void
    {
        $kinds = LinkKind::of($this->protocol);
        if (! $fields->has('receive') && ! $fields->has('send')) {
            $fields->fault('', 'the port neither receives nor sends', 'Give "receive", "send" or both.');
        }
        if ($fields->has('send') && ! isset(self::SENDS[$this->protocol->value])) {
            $fields->fault('send', 'a game controller has nothing to send to', 'Leave "send" out.');
        }
        if (! $fields->has('link') && $kinds[0]->hasDevice()) {
            $fields->fault('link', 'it is missing', 'Say over what it goes: '.implode(', ', array_column($kinds, 'value')).'.');
        }
        if ($this->send !== null && $this->link->kind === LinkKind::Udp && ! $this->send->hasTarget()) {
            $fields->fault('send/to', 'there is nobody to send to', $this->send->wayOut());
        }
    }

    public function switched(bool $isOn): self
    {
        return new self($this->id, $this->name, $this->protocol, $isOn, $this->link, $this->receive, $this->send, $this->allow);
    }

    public function receives(): bool
    {
        return $this->enabled && $this->receive !== null && $this->receive->enabled;
    }

    public function sends(): bool
    {
        return $this->enabled && $this->send !== null && $this->send->enabled;
    }
}
