<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Patch\Footprint;
use NimbleJunction\Core\Patch\Mix;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;

/** Fixtures are held at a colour, each as its parameters make it. */
final readonly class HoldColour implements Order
{
    /**
     * @param list<string> $fixtures
     * @param string $colour "#rrggbb"
     * @param list<string> $pixels ids of pixel maps
     */
    public function __construct(private array $fixtures, private string $colour, private array $pixels = [])
    {
    }

    public static function kind(): string
    {
        return 'colour';
    }

    public static function label(): string
    {
        return 'Hold a colour';
    }

    public static function fields(): array
    {
        return [
            new Ids('fixtures', 'Fixtures', 'fixture', 2000),
            Field::pattern('colour', 'Colour, #rrggbb', '#^\#[0-9a-fA-F]{6}$#D', 'Use a colour like #ff8800.'),
            new Ids('pixels', 'Pixel maps', 'pixels', 200),
        ];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $patch = $reach->engine->show()->patch();
        $together = new Together();
        $mix = Mix::of($this->colour);
        foreach ($this->fixtures as $id) {
            $fixture = $patch->fixtures[$id] ?? throw new CommandRefused("There is no fixture \"{$id}\" in the show.");
            foreach ($mix->values($patch->footprint($fixture)) as $key => $value) {
                $placement = $patch->find($id, (string) $key);
                if ($placement !== null) {
                    $together->add($placement, $value);
                }
            }
        }
        foreach ($this->pixels as $id) {
            $map = $reach->engine->show()->pixels[$id]
                ?? throw new CommandRefused("There is no pixel map \"{$id}\" in the show.");
            $values = $mix->values(Footprint::of($map->order->parameters()));
            foreach ($reach->engine->show()->pixels()->placements($id, '') as $placement) {
                $together->add($placement, $values[$placement->placed->parameter->key] ?? 0);
            }
        }
        if ($together->isEmpty()) {
            throw new CommandRefused(
                'None of these fixtures has a colour: give parameters the roles red, green and blue, or a wheel its colours.',
            );
        }
        $together->hold($reach);

        return null;
    }
}
