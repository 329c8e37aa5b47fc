<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Route\Learned;
use NimbleJunction\Core\Scope\Candidate;
use NimbleJunction\Core\Scope\SlotCandidate;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\LearnCandidate;
use NimbleJunction\Engine\Said\LearnNews;
use NimbleJunction\Engine\Said\LearnWay;
use NimbleJunction\Engine\Said\Moved;

/** What moves at a port while somebody learns; its subject is the port. */
final readonly class LearnTopic implements Topic
{
    private const SHOWN = 24;

    /** A subject that begins so is a universe: its slots are learned. */
    private const SLOTS = 'slot:';

    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'learn';
    }

    public static function says(): array
    {
        return [LearnNews::class];
    }

    public function everyNanos(): int
    {
        return 150_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject !== '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $universe = str_starts_with($subject, self::SLOTS) ? substr($subject, \strlen(self::SLOTS)) : null;
        $all = $universe === null ? $this->messages($subject, $now) : $this->slots($universe, $now);
        $lines = \array_slice($all, 0, self::SHOWN);
        if ($view->isNew("learn:{$subject}", json_encode($lines, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE))) {
            $client->tell(new LearnNews($subject, Engine::millis($now), $lines, max(0, \count($all) - self::SHOWN)));
        }
    }

    /** @return list<LearnCandidate> */
    private function messages(string $portId, int $now): array
    {
        $plan = $this->junction->plan();
        if (! isset($plan->ports[$portId])) {
            return [];
        }

        return array_map(static fn(Candidate $one): LearnCandidate => new LearnCandidate(
            $one->last->address(),
            $plan->agreed->address($one->last->address(), $plan->middleC) ?? $one->last->address(),
            $plan->agreed->said($one->last, $plan->middleC),
            $one->count,
            Engine::millis($one->at),
            array_map(
                static fn(array $moved, int $place): Moved => new Moved($place, $moved['low'], $moved['high']),
                $one->moved,
                array_keys($one->moved),
            ),
            array_map(
                static fn(array $way): LearnWay => new LearnWay($way['words'], $way['part']),
                Learned::ways($portId, $one->last, $one->argument(), $plan->middleC),
            ),
            $one->argument(),
        ), $this->junction->probes->learning->candidates($portId, $now));
    }

    /** @return list<LearnCandidate> */
    private function slots(string $universeId, int $now): array
    {
        $universe = $this->junction->universes()[$universeId] ?? null;
        if ($universe === null) {
            return [];
        }
        $names = $this->junction->names();

        return array_map(static function (SlotCandidate $one) use ($universeId, $names): LearnCandidate {
            $point = "slot:{$universeId}/".($one->slot + 1);

            return new LearnCandidate(
                $point,
                $names->point($point),
                $names->point($point),
                $one->count,
                Engine::millis($one->at),
                [new Moved(1, $one->movement->low, $one->movement->high)],
                [
                    new LearnWay('this slot at any level', ['kind' => 'slot', 'point' => $point]),
                    new LearnWay('when it rises through half', ['kind' => 'slot', 'point' => $point, 'rises' => 128]),
                    new LearnWay('when it falls to nothing', ['kind' => 'slot', 'point' => $point, 'falls' => 0]),
                ],
                1,
            );
        }, $this->junction->probes->slots->candidates($universeId, $universe->levels, $now));
    }
}
