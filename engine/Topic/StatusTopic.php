<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Health\Compilation;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\Net\Descriptors;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\PortReport;
use NimbleJunction\Engine\Said\EngineLife;
use NimbleJunction\Engine\Said\HeldSlot;
use NimbleJunction\Engine\Said\PortLife;
use NimbleJunction\Engine\Said\Said;
use NimbleJunction\Engine\Said\Status;
use NimbleJunction\Engine\Said\Stray;
use NimbleJunction\Engine\Said\UniverseLife;
use NimbleJunction\Engine\Said\WarningLine;
use NimbleJunction\Engine\ShowMode;

/** How the engine, the ports and the universes are. All pages are shown the same picture; each is told what is new to it. */
final class StatusTopic implements Topic
{
    private const EVERY_NANOS = 250_000_000;

    /** Even where nothing changes, a page hears that the engine is there. */
    private const SILENCE_NANOS = 1_000_000_000;

    /** One picture serves all pages that ask within this time. */
    private const FRESH_NANOS = 100_000_000;

    private int $madeAt = \PHP_INT_MIN;
    private EngineLife $life;

    /** @var array<string, PortLife> */
    private array $ports = [];

    /** @var array<string, UniverseLife> */
    private array $universes = [];

    /** @var list<HeldSlot> */
    private array $holds = [];

    /** @var list<Stray> */
    private array $strays = [];

    public function __construct(
        private readonly Engine $engine,
        private readonly PortReport $report,
        private readonly Warnings $warnings,
        private readonly Descriptors $descriptors,
        private readonly ShowMode $showMode,
    ) {
    }

    public static function name(): string
    {
        return 'status';
    }

    public static function says(): array
    {
        return [Status::class];
    }

    public function everyNanos(): int
    {
        return self::EVERY_NANOS;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        if ($now - $this->madeAt >= self::FRESH_NANOS) {
            $this->look($now);
        }
        $isWhole = $view->isNew('show', (string) $this->engine->junction->adoptions);
        if ($isWhole) {
            $view->forget('status ');
        }
        $isEngineNew = $this->isNew($view, 'engine', $this->life);
        $ports = $this->changed($view, 'port', $this->ports);
        $universes = $this->changed($view, 'universe', $this->universes);
        $holds = $this->isNew($view, 'holds', $this->holds) ? $this->holds : null;
        $strays = $this->isNew($view, 'strays', $this->strays) ? $this->strays : null;
        $isAnythingNew = $isWhole || $isEngineNew || $ports !== [] || $universes !== [] || $holds !== null || $strays !== null;
        if (! $isAnythingNew && $now - $view->number('status') < self::SILENCE_NANOS) {
            return;
        }
        $view->count('status', $now);
        $client->tell(
            new Status(Engine::millis($now), $isWhole, $isEngineNew ? $this->life : null, $ports, $universes, $holds, $strays),
        );
    }

    private function look(int $now): void
    {
        $junction = $this->engine->junction;
        $this->madeAt = $now;
        $this->life = new EngineLife(
            $junction->plan()->name,
            $junction->adoptions,
            Engine::millis($this->engine->startedAt),
            (int) getmypid(),
            Compilation::words(),
            array_map(
                static fn(array $one): WarningLine => new WarningLine($one['key'], $one['words'], $one['at']),
                $this->warnings->all(),
            ),
            $this->descriptors->open(),
            array_map(
                strval(...),
                array_keys(array_filter($junction->routes->switches->all(), static fn(bool $isOn): bool => ! $isOn)),
            ),
            $junction->routes->switches->alone(),
            $this->showMode->by,
        );
        $this->ports = $this->report->lives($now);
        $this->universes = array_map(self::universe(...), array_filter(
            $junction->universes(),
            static fn(Universe $one): bool => ! Intensities::areAt($one->id),
        ));
        $this->holds = [];
        foreach ($junction->universes() as $universe) {
            foreach ($universe->wayOut()->holds() as $hold) {
                $this->holds[] = new HeldSlot(
                    $universe->id,
                    $hold->slot + 1,
                    $hold->level,
                    $hold->by,
                    Engine::millis($hold->until),
                );
            }
        }
        $this->strays = $this->report->strays($now);
    }

    /**
     * @template T of Said
     *
     * @param array<string, T> $lives
     *
     * @return array<string, T> those that this page has not been told so
     */
    private function changed(PageView $view, string $what, array $lives): array
    {
        return array_filter(
            $lives,
            fn(Said $life, string|int $id): bool => $this->isNew($view, "{$what} {$id}", $life),
            \ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @param Said|list<Said> $said */
    private function isNew(PageView $view, string $what, Said|array $said): bool
    {
        return $view->isNew("status {$what}", json_encode($said, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE));
    }

    private static function universe(Universe $universe): UniverseLife
    {
        $senders = $universe->control()->senders;

        return new UniverseLife(
            $universe->spoken || $universe->hasStopped(),
            \count($universe->contributors()),
            array_map(static fn(Source $source): string => $source->name, $senders),
            $senders === [] ? null : max(array_map(static fn(Source $source): int => $source->priority, $senders)),
            512 - substr_count($universe->levels, "\0"),
        );
    }
}
