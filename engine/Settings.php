<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Engine\Events\Alarms;
use NimbleJunction\Engine\LiveLink\Door;
use NimbleJunction\Engine\Net\Reach;

/** With what the engine runs. */
final readonly class Settings
{
    /**
     * @param string $directory for its state, its identity and its control socket; '' keeps nothing
     * @param string $memory a folder in the machine's memory, for levels; '' for none
     * @param float|null $seconds to run; null without end
     */
    public function __construct(
        public string $directory = '',
        public string $memory = '',
        public Door $door = new Door(),
        public Reach $reach = new Reach(),
        public Alarms $alarms = new Alarms(),
        public ?float $seconds = null,
        public string $version = '',
    ) {
    }
}
