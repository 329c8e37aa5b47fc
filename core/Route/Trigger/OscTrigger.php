<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Message\MessageAddress;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Route\AddressPattern;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Showing;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Wire\Malformed;

/**
 * An OSC message: at one address, or at all that a pattern stands for. What the pattern's names and wildcards took goes on
 * with it.
 */
final readonly class OscTrigger implements Checked, Showing
{
    private const TAGS = '#^[ifsSbhdcTFNI]{1,64}$#D';
    private const TAKES = ['number', 'text', 'message'];

    /** Null for an address that stands for itself alone. */
    private ?AddressPattern $pattern;

    /**
     * @param string $types OSC type tags, like "if"; '' for any
     * @param string $takes number: an argument; text: an argument that is a text; message: that it came
     */
    public function __construct(
        public string $port,
        public string $address,
        public int $argument = 1,
        public int|float|string|null $is = null,
        public string $types = '',
        public string $takes = 'number',
    ) {
        $this->pattern = self::pattern($address);
    }

    public static function kind(): string
    {
        return 'osc';
    }

    public static function label(): string
    {
        return 'An OSC message';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::pattern('address', 'Address, like /cue/{number}/go', MessageAddress::WITH_WILDCARDS, MessageAddress::BEGINS),
            Field::word('takes', 'It takes', self::TAKES, 'number')
                ->meaning(
                    '"number": an argument. "text": an argument of any text, as 1, or as the number that it says. "message": only that it came, as 1.',
                ),
            Field::whole('argument', 'Argument, from 1', 1, 64, 1)->rare(),
            Field::anything('is', 'Only if it is; empty for any', false),
            Field::pattern(
                'types',
                'Only with these types, like if; empty for any',
                self::TAGS,
                'Use type tags of OSC: i, f, s, b, h, d, c, S, T, F, N or I, as many as there are arguments.',
                false,
            )
                ->meaning('OSC type tags, in their order: i whole, f float, s text, T true, F false.')->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        if (AddressPattern::isOne($this->address) && $this->pattern === null) {
            $fields->fault(
                'address',
                "it is {$this->address}",
                'Close every bracket; a name in braces has small letters, digits and hyphens.',
            );
        }
    }

    public function keys(): array
    {
        $beginning = AddressPattern::beginning($this->address);

        return [$this->pattern === null ? "{$this->port} {$this->address}" : "{$this->port} {$beginning}".Heard::ANY];
    }

    public function take(Event $event): Taken|Missed|null
    {
        $message = $event instanceof Heard ? $event->message : null;
        $names = $this->pattern === null ? [] : ($message === null ? null : $this->pattern->taken($message->address()));
        if (! $message instanceof Osc || $names === null) {
            return null;
        }
        $types = $this->types === '' ? null : substr($message->packet->tags(), 1);
        if ($types !== null && $types !== $this->types) {
            return new Missed(
                "wants the types {$this->types}, it has ".($types === '' ? 'no arguments' : $types),
                ['types' => null],
            );
        }
        $argument = $message->arguments()[$this->argument - 1] ?? null;
        if ($this->is !== null && (string) $argument !== (string) $this->is) {
            return new Missed(
                "waits for {$this->is} as argument {$this->argument}, ".($argument === null ? 'there is none' : "it is {$argument}"),
                ['is' => null],
            );
        }

        return match ($this->takes) {
            'message' => new Taken(1.0, 'takes that it came', $names),
            'text' => $this->text($argument, $names),
            default => $this->number($message, $names),
        };
    }

    public function words(Wording $wording): string
    {
        $takes = $this->takes === 'text' ? ' with a text' : '';
        $is = $this->is === null ? $takes : " {$this->is}";

        return $this->address.$is.($this->types === '' ? '' : " ({$this->types})")." arrives on {$wording->port($this->port)}";
    }

    public function sample(): Event
    {
        $address = (string) preg_replace(
            ['/\{([^},]*),[^}]*\}/', '/\{[^}]*\}|\*/', '/\[!?(.)[^]]*\]/', '/\?/'],
            ['$1', '1', '$1', '1'],
            $this->address,
        );
        $any = $this->takes === 'text' ? 'text' : 1.0;
        $arguments = array_fill(0, $this->argument - 1, $any);
        $arguments[] = $this->is ?? $any;

        return new Heard(
            $this->port,
            $this->types === '' ? Osc::of($address, $arguments) : Osc::typed($address, $this->types, $arguments),
        );
    }

    /** @param array<int|string, string> $names */
    private function number(Osc $message, array $names): Taken|Missed
    {
        if ($message->packet->arguments === []) {
            return new Taken(1.0, 'takes it, without a number', $names);
        }
        $number = $message->number($this->argument);
        if ($number === null && $this->is === null) {
            return new Missed("wants a number as argument {$this->argument}, there is none", ['takes' => 'message']);
        }

        return new Taken((float) ($number ?? 1), "takes argument {$this->argument}", $names);
    }

    /** @param array<int|string, string> $names */
    private function text(int|float|string|null $argument, array $names): Taken|Missed
    {
        if (! \is_string($argument)) {
            return new Missed(
                "wants a text as argument {$this->argument}, ".($argument === null ? 'there is none' : "it is the number {$argument}"),
                ['takes' => 'message'],
            );
        }

        return new Taken(
            is_numeric($argument) ? (float) $argument : 1.0,
            "takes the text of argument {$this->argument}",
            ['text' => $argument] + $names,
        );
    }

    private static function pattern(string $address): ?AddressPattern
    {
        try {
            return AddressPattern::isOne($address) ? new AddressPattern($address) : null;
        } catch (Malformed) {
            return null;
        }
    }

    public function shows(float $value): ?Message
    {
        $isOne = $this->pattern === null && $this->argument === 1 && $this->takes === 'number';

        return $isOne
            ? ($this->types === 'i' ? Osc::of($this->address, [(int) round($value)]) : Osc::of($this->address, [$value]))
            : null;
    }
}
