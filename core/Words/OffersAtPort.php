<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

use NimbleJunction\Core\Offer\Offer;
use NimbleJunction\Core\Offer\OfferLine;
use NimbleJunction\Core\Offer\OfferSheet;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\Show;

/** What the other end of a port may control of what is offered: fixtures to patch, addresses, messages. */
final class OffersAtPort
{
    /** Of one offer; its own table has all. */
    private const MOST_LINES = 40;

    /** @return list<array{string, string}> label and value */
    public static function lines(PortEntry $port, Show $show): array
    {
        $fed = array_map(static fn($link): string => $link->universe, $port->receive->feeds ?? []);
        $lines = [];
        foreach ($show->offers as $offer) {
            $label = "Offer \"{$offer->name}\"";
            $values = match (true) {
                $offer->oscPort === $port->id => self::said(
                    $offer,
                    $show,
                    static fn(OfferLine $line): string => $line->address === '' ? '' : "{$line->address}, {$line->argument}",
                ),
                $offer->midiPort === $port->id => self::said(
                    $offer,
                    $show,
                    static fn(OfferLine $line): string => $line->midi === '' ? '' : "{$line->midi}, channel {$offer->channel}",
                ),
                \in_array($offer->universe, $fed, true) => [
                    "to patch as a fixture of {$offer->width()} slots at {$offer->first} in {$show->universes[$offer->universe]->name}",
                ],
                default => [],
            };
            foreach (\array_slice($values, 0, self::MOST_LINES) as $value) {
                $lines[] = [$label, $value];
            }
        }

        return $lines;
    }

    /**
     * @param \Closure(OfferLine): string $words '' for what is not reached so
     *
     * @return list<string>
     */
    private static function said(Offer $offer, Show $show, \Closure $words): array
    {
        $said = [];
        foreach ((new OfferSheet($offer, new ShowWording($show)))->lines() as $line) {
            $way = $words($line);
            if ($way !== '') {
                $said[] = "{$line->parameter}: {$way}: {$line->does}";
            }
        }

        return $said;
    }
}
