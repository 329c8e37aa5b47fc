<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Message\MessageAddress;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Route\Route;

/**
 * Points of ours that others may control as if we were a fixture: at slots of a universe that arrives, at OSC addresses,
 * and by MIDI messages. One table says all three.
 */
final readonly class Offer implements Part, Checked
{
    /** @var array<string, OfferedParameter> by id */
    public array $byId;

    /** @var list<Route> what it is when it runs: an ordinary route for each function and each way to reach it */
    public array $routes;

    /** @var array<string, list<int>> slots from 0, by parameter: looked at with every frame */
    private array $slotsOf;

    /** What it takes of its universe; null where it is in none. */
    public ?OfferRun $run;

    /**
     * @param string $universe id; '' for none
     * @param int $first slot, 1 to 512
     * @param string $oscPort id; '' for none
     * @param string $oscAddress what all its addresses begin with; '' for its own id
     * @param string $midiPort id; '' for none
     * @param int $number controller, or note, of the first function; the others follow in their order
     * @param bool $tells whether OSC and MIDI are told what levels have become
     * @param list<OfferedParameter> $parameters
     * @param list<string> $sharesWith ids of fixtures, pixel maps and offers that share slots with it, and are meant to
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $parameters = [],
        public bool $enabled = true,
        public string $universe = '',
        public int $first = 1,
        public string $oscPort = '',
        public string $oscAddress = '',
        public string $midiPort = '',
        public int $channel = 1,
        public int $number = 0,
        public bool $tells = false,
        public array $sharesWith = [],
        public string $note = '',
    ) {
        $this->byId = array_combine(array_map(static fn(OfferedParameter $one): string => $one->id, $parameters), $parameters);
        $slots = [];
        $at = $first - 1;
        foreach ($parameters as $one) {
            $slots[$one->id] ??= range($at, $at + $one->width - 1);
            $at += $one->width;
        }
        $this->slotsOf = $slots;
        $ways = new Ways($this);
        $this->routes = $ways->routes();
        $this->run = $universe === '' || $parameters === [] || ! $this->hasRoom() ? null : new OfferRun($this);
    }

    public static function label(): string
    {
        return 'Offer';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::flag('enabled', 'Enabled', true),
            (new Id('universe', 'At slots of universe', 'universe', false))->meaning(
                'One that arrives from the desk; without it, nothing is offered at slots.',
            ),
            Field::whole('first', 'First slot', 1, Patch::SLOTS, 1),
            Field::portOrNone('oscPort', 'By OSC, at port'),
            Field::pattern(
                'oscAddress',
                'Addresses begin with',
                MessageAddress::PATTERN,
                MessageAddress::RULE,
                false,
            )->meaning('Without it, a slash and its id.'),
            Field::portOrNone('midiPort', 'By MIDI, at port'),
            Field::whole('channel', 'MIDI channel', 1, 16, 1),
            Field::whole('number', 'First controller or note', 0, 127, 0)->meaning(
                'The others follow in their order: controllers for what follows a value, notes for what is pressed.',
            ),
            Field::flag('tells', 'OSC and MIDI are told what becomes of levels', false),
            Field::objects('parameters', 'Parameters', OfferedParameter::class, Patch::SLOTS, 1),
            new Ids('sharesWith', 'Shares slots on purpose with', 'fixture', 64),
            Field::textOrNone('note', 'Note', 1000),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->universe === '' && $this->oscPort === '' && $this->midiPort === '') {
            $fields->fault('universe', 'nobody could reach it', 'Give a universe, a port for OSC or a port for MIDI.');
        }
        if ($this->universe !== '' && ! $this->hasRoom()) {
            $fields->fault(
                'first',
                "it takes {$this->width()} slots and would end at ".($this->first + $this->width() - 1),
                'A universe ends at 512: begin lower, or offer less.',
            );
        }
        if ($this->parameters === []) {
            $fields->fault('parameters', 'there is none', 'Offer at least one parameter.');
        }
        $seen = [];
        foreach ($this->parameters as $i => $parameter) {
            if (isset($seen[$parameter->id])) {
                $fields->fault("parameters/{$i}/id", "\"{$parameter->id}\" is used twice", 'Every id may be used once.');
            }
            $seen[$parameter->id] = true;
        }
        $ways = new Ways($this);
        $addresses = [];
        foreach ($ways->all as $way) {
            if (isset($addresses[$way->address])) {
                $fields->fault(
                    "parameters/{$way->place}/functions/{$way->nth}/name",
                    "another one of this parameter would have the address {$way->address} too",
                    'Call each otherwise.',
                );
            }
            $addresses[$way->address] = true;
        }
        foreach ($this->midiPort === '' ? [] : $ways->problems() as [$i, $k, $problem, $allowed]) {
            $fields->fault("parameters/{$i}/functions/{$k}", $problem, $allowed);
        }
    }

    /** @return int slots that it takes */
    public function width(): int
    {
        return array_sum(array_map(static fn(OfferedParameter $one): int => $one->width, $this->parameters));
    }

    /** @return list<int> slots of a parameter, from 0, the coarsest first; none where there is no such parameter */
    public function slots(string $parameter): array
    {
        return $this->slotsOf[$parameter] ?? [];
    }

    /** What all its OSC addresses begin with. */
    public function beginning(): string
    {
        return $this->oscAddress === '' ? "/{$this->id}" : rtrim($this->oscAddress, '/');
    }

    private function hasRoom(): bool
    {
        return $this->first + $this->width() - 1 <= Patch::SLOTS;
    }
}
