<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Shows;

use Amp\Sync\LocalMutex;
use NimbleJunction\Core\Edit\Update;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\Engine;

/**
 * Takes on shows while the loop goes on: they are read and compiled in slices, one after the other, and each is adopted
 * in one turn.
 */
final class TakingOn
{
    private readonly LocalMutex $turn;

    /** The revision of the show in force; 0 where it is not known. */
    private int $revision;

    public function __construct(private readonly Engine $engine, int $revision = 0)
    {
        $this->turn = new LocalMutex();
        $this->revision = $revision;
    }

    /**
     * @param list<string> $lines
     * @param int $revision 0 where there is none
     *
     * @throws ShowRefused nothing has changed
     */
    public function whole(array $lines, int $revision): void
    {
        $lock = $this->turn->acquire();
        try {
            if ($revision > 0 && $revision < $this->revision) {
                // Two edits overtook each other on their way here: the newer one runs already, and has this one in it.
                return;
            }
            $between = (new Slices())->between(...);
            $show = ShowReader::fromArray(ShowLines::document($lines, $between), $between);
            $this->engine->take($show, $this->engine->plan($show, $between), $lines, true);
            $this->revision = $revision;
        } finally {
            $lock->release();
        }
    }

    /**
     * @param string $line the update as it came
     *
     * @return bool false when another show than the one that it is about is in force: then the whole one is needed
     *
     * @throws ShowRefused nothing has changed
     */
    public function update(string $line, Update $update, int $base, int $revision): bool
    {
        $lock = $this->turn->acquire();
        try {
            if ($revision > 0 && $revision <= $this->revision) {
                return true;
            }
            if ($base === 0 || $base !== $this->revision) {
                return false;
            }
            $between = (new Slices())->between(...);
            $show = $update->show($this->engine->show());
            $this->engine->take($show, $this->engine->plan($show, $between), [$line], false);
            $this->revision = $revision;

            return true;
        } finally {
            $lock->release();
        }
    }
}
