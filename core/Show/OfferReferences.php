<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Offer\Offer;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Signal\Protocol;

/** Whether what an offer names is there. */
final readonly class OfferReferences
{
    public function __construct(private Show $show)
    {
    }

    /** @return list<Fault> */
    public function faults(Offer $offer, string $path): array
    {
        $faults = [
            ...$this->universe($offer, "{$path}/universe"),
            ...$this->port($offer->oscPort, Protocol::Osc, $offer->tells, "{$path}/oscPort"),
            ...$this->port($offer->midiPort, Protocol::Midi, $offer->tells, "{$path}/midiPort"),
        ];
        foreach ($offer->parameters as $i => $parameter) {
            foreach ($parameter->functions as $k => $function) {
                foreach ($function->points() as $field => $point) {
                    if (! PointNames::isThere($this->show, $point)) {
                        $faults[] = new Fault(
                            "{$path}/parameters/{$i}/functions/{$k}/{$field}",
                            "there is no point \"{$point->text()}\"",
                            Reference::RULE,
                        );
                    }
                }
            }
        }
        foreach ($offer->sharesWith as $k => $id) {
            if (! isset($this->show->fixtures[$id]) && ! isset($this->show->pixels[$id]) && ! isset($this->show->offers[$id])) {
                $faults[] = new Fault(
                    "{$path}/sharesWith/{$k}",
                    "there is no fixture, no pixel map and no offer \"{$id}\"",
                    'Name the id of one that shares slots with this one.',
                );
            }
        }
        if (isset($this->show->pixels[$offer->id])) {
            $faults[] = new Fault(
                "{$path}/id",
                "a pixel map is called \"{$offer->id}\" too",
                'Both stand in the patch: give one of them another id.',
            );
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function universe(Offer $offer, string $path): array
    {
        if ($offer->universe === '' || isset($this->show->universes[$offer->universe])) {
            return [];
        }
        $known = implode(', ', \array_slice(array_keys($this->show->universes), 0, 12)) ?: 'none yet';

        return [new Fault($path, "there is no universe \"{$offer->universe}\"", "Universes are: {$known}.")];
    }

    /** @return list<Fault> */
    private function port(string $id, Protocol $protocol, bool $tells, string $path): array
    {
        $port = $this->show->ports[$id] ?? null;

        return match (true) {
            $id === '' => [],
            $port === null => [new Fault(
                $path,
                "there is no port \"{$id}\"",
                "Name the id of a port that speaks {$protocol->spelled()}.",
            )],
            $port->protocol !== $protocol => [new Fault(
                $path,
                "\"{$port->name}\" is {$port->protocol->spelled()}",
                "Name the id of a port that speaks {$protocol->spelled()}.",
            )],
            $port->receive === null => [new Fault($path, "\"{$port->name}\" does not receive", 'Give the port that side first.')],
            $tells
                && $port->send === null => [new Fault(
                    $path,
                    "\"{$port->name}\" does not send",
                    'Give the port that side first, or tell it nothing.',
                )],
            default => [],
        };
    }
}
