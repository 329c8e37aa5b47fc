<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Patch\NamedRange;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Profile;
use NimbleJunction\Core\Route\Wording;

/** What the people at the desk are given: the table of all three protocols, and a profile for their library. */
final readonly class OfferSheet
{
    public const COLUMNS = ['Slot', 'Parameter', 'Bits', 'Values', 'What it does', 'OSC address', 'Argument', 'MIDI'];

    /** Who makes what is offered: we do. */
    private const MAKER = 'Nimble Junction';

    /** So long a name may be, with room for a number behind it. */
    private const LONGEST = 70;

    /** MIDI 1.0: the finer part of controllers 0 to 31 comes 32 above (from memory). */
    private const FINER = 32;

    public function __construct(private Offer $offer, private Wording $wording)
    {
    }

    /** @return list<OfferLine> one for each run of values of each parameter, "no change" included */
    public function lines(): array
    {
        $lines = [];
        $ways = (new Ways($this->offer))->all;
        foreach ($this->offer->parameters as $place => $parameter) {
            $own = array_filter($ways, static fn(Way $way): bool => $way->place === $place);
            usort($own, static fn(Way $a, Way $b): int => $a->function->first() <=> $b->function->first());
            $free = 0;
            foreach ($own as $way) {
                $lines[] = $this->noChange($parameter, $free, $way->function->first() - 1);
                $lines[] = $this->line($way);
                $free = $way->function->last($parameter->highest) + 1;
            }
            $lines[] = $this->noChange($parameter, $free, $parameter->highest);
        }

        return array_values(array_filter($lines));
    }

    /** @return list<list<string>> the heads of the columns first */
    public function table(): array
    {
        return [self::COLUMNS, ...array_map(static fn(OfferLine $line): array => $line->cells(), $this->lines())];
    }

    /** @return list<string> where it is reached */
    public function heads(): array
    {
        $offer = $this->offer;
        $end = $offer->first + $offer->width() - 1;

        return array_values(array_filter([
            $offer->universe === '' ? '' : "{$this->wording->universe($offer->universe)}, slots {$offer->first} to {$end}",
            $offer->oscPort === '' ? '' : "OSC at {$this->wording->port($offer->oscPort)}",
            $offer->midiPort === '' ? '' : "MIDI at {$this->wording->port($offer->midiPort)}, channel {$offer->channel}",
        ]));
    }

    /** The same as a kind of fixture: its parameters with their named ranges. */
    public function profile(): Profile
    {
        $ranges = [];
        foreach ($this->lines() as $line) {
            $ranges[$line->id][] = new NamedRange(self::unlike($line->does, $ranges[$line->id] ?? []), $line->first, $line->last);
        }
        $parameters = array_map(
            static fn(OfferedParameter $one): Parameter => new Parameter(
                $one->name,
                $one->width,
                id: $one->id,
                ranges: $ranges[$one->id] ?? [],
            ),
            $this->offer->parameters,
        );

        return new Profile($this->offer->id, $this->offer->name, $parameters, self::MAKER, note: $this->offer->note);
    }

    /**
     * Names in a fixture type have no full stops, which part them in links, and differ from each other.
     *
     * @param list<NamedRange> $others
     */
    private static function unlike(string $words, array $others): string
    {
        $name = mb_substr(trim((string) preg_replace('~[^\pL\pN "#%()*+/:;<=>@_°-]+~u', ' ', $words)), 0, self::LONGEST);
        $taken = array_map(static fn(NamedRange $one): string => $one->name, $others);
        $free = $name;
        for ($i = 2; \in_array($free, $taken, true); ++$i) {
            $free = "{$name} {$i}";
        }

        return $free;
    }

    private function line(Way $way): OfferLine
    {
        $function = $way->function;
        $name = $function->name() === '' ? '' : "{$function->name()}: ";

        return new OfferLine(
            $this->slots($way->parameter),
            $way->parameter->name,
            $way->parameter->bits,
            self::run($function->first(), $function->last($way->parameter->highest)),
            $name.$function->words($this->wording),
            $this->offer->oscPort === '' ? '' : $way->address,
            $this->offer->oscPort === '' ? '' : $function->argument(),
            $this->offer->midiPort === '' ? '' : $this->midi($way),
            $way->parameter->id,
            array_values(array_map(static fn($point): string => $point->text(), $function->points())),
            $function->first(),
            $function->last($way->parameter->highest),
        );
    }

    private function noChange(OfferedParameter $parameter, int $first, int $last): ?OfferLine
    {
        return $first > $last ? null : new OfferLine(
            $this->slots($parameter),
            $parameter->name,
            $parameter->bits,
            self::run($first, $last),
            'no change',
            '',
            '',
            '',
            $parameter->id,
            [],
            $first,
            $last,
        );
    }

    private function midi(Way $way): string
    {
        if ($way->isNote()) {
            return Pitch::spelled($way->number, $this->wording->middleC());
        }
        $finer = $way->bits === 14 ? ' and '.($way->number + self::FINER).', 14 bits' : '';

        return "controller {$way->number}{$finer}".($way->function instanceof NumberFunction ? ', its value is the number' : '');
    }

    private function slots(OfferedParameter $parameter): string
    {
        $slots = $this->offer->universe === ''
            ? []
            : array_map(static fn(int $slot): int => $slot + 1, $this->offer->slots($parameter->id));

        return implode('–', $slots);
    }

    private static function run(int $first, int $last): string
    {
        return $first === $last ? (string) $first : "{$first}–{$last}";
    }
}
