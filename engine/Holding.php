<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** What pages say about hand levels: on a slot, on a run of slots, or on a parameter of a fixture. */
final readonly class Holding
{
    private const LONGEST_SECONDS = 3600;
    private const USUAL_SECONDS = 300;

    public function __construct(private Engine $engine)
    {
    }

    /**
     * {"do": "hold", "universe": "…", "slot": 5, "last": 8, "level": 255, "seconds": 60} or
     * {"do": "hold", "fixture": "…", "parameter": "pan", "value": 0.5}
     *
     * @throws CommandRefused
     */
    public function hold(Command $command, string $by): void
    {
        $seconds = $command->whole('seconds', 1, self::LONGEST_SECONDS, self::USUAL_SECONDS);
        if ($command->has('fixture')) {
            $fixture = $command->word('fixture');
            $parameter = $command->word('parameter');
            $slots = $this->engine->show()->patch()->slots($fixture, $parameter, $command->number('value', 0.0, 1.0))
                ?? throw new CommandRefused("There is no parameter \"{$parameter}\" of a fixture \"{$fixture}\" in the show.");
            $this->engine->hold($slots['universe'], $slots['levels'], $by, $seconds);

            return;
        }
        $universe = $this->universe($command);
        $slot = $command->whole('slot', 1, 512);
        $last = $command->whole('last', $slot, 512, $slot);
        $this->engine->hold($universe, array_fill($slot, $last - $slot + 1, $command->whole('level', 0, 255)), $by, $seconds);
    }

    /**
     * {"do": "release"}, or with "universe", with "slot", with "last"
     *
     * @throws CommandRefused
     */
    public function release(Command $command, string $by): void
    {
        $this->engine->release(
            $command->has('universe') ? $this->universe($command) : null,
            $command->has('slot') ? $command->whole('slot', 1, 512) - 1 : null,
            $command->has('last') ? $command->whole('last', 1, 512) - 1 : null,
            $by,
        );
    }

    /** @throws CommandRefused */
    private function universe(Command $command): string
    {
        $id = $command->word('universe');

        return isset($this->engine->junction->universes()[$id]) ? $id : throw new CommandRefused("There is no universe \"{$id}\" in the show.");
    }
}
