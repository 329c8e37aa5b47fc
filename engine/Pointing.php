<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\Reference;

/** What pages say about points: they look for them, read them, set and press them. A person does not give a lamp levels of their own: they hold it. */
final readonly class Pointing
{
    private const MOST_FOUND = 50;

    public function __construct(private Engine $engine, private Holding $holding)
    {
    }

    /**
     * {"do": "set", "point": "value:house-open", "value": true}; a slot from 0 to 255 and a parameter from 0 to 100 are held
     *
     * @throws CommandRefused
     */
    public function set(Command $command, string $by): void
    {
        $reference = $this->reference($command);
        if ($reference->kind === 'fixture') {
            $this->holding->hold(new Command(['fixture' => $reference->id, 'parameter' => $reference->part, 'value' => $command->number('value', 0.0, 100.0) / 100]), $by);

            return;
        }
        if ($reference->kind === 'slot') {
            $this->holding->hold(new Command(['universe' => $reference->id, 'slot' => (int) $reference->part, 'level' => $command->whole('value', 0, 255)]), $by);

            return;
        }
        $this->done($this->engine->set($reference, $command->value('value'), new Act("person {$by}", $by)));
    }

    /**
     * {"do": "press", "point": "route:doors"}
     *
     * @throws CommandRefused
     */
    public function press(Command $command, string $by): void
    {
        $this->done($this->engine->press($this->reference($command), new Act("person {$by}", $by)));
    }

    /**
     * {"do": "find", "text": "house"}: points whose names hold these words.
     *
     * @return array<string, mixed>
     *
     * @throws CommandRefused
     */
    public function find(Command $command): array
    {
        $points = $this->engine->junction->points()->find($command->word('text'), self::MOST_FOUND);

        return ['points' => array_map(fn(Point $point): array => [...$point->described(), 'value' => $this->engine->junction->points()->read($point->reference)], $points)];
    }

    /** @throws CommandRefused */
    private function reference(Command $command): Reference
    {
        $text = $command->word('point');
        $reference = Reference::parse($text);
        if ($reference === null || $this->engine->junction->points()->describe($reference) === null) {
            throw new CommandRefused("There is no point \"{$text}\" in the show. ".Reference::RULE);
        }

        return $reference;
    }

    /** @throws CommandRefused */
    private function done(string $refusal): void
    {
        if ($refusal !== '') {
            throw new CommandRefused(ucfirst($refusal).'.');
        }
    }
}
