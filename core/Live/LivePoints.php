<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Live\Points\Arriving;
use NimbleJunction\Core\Live\Points\Controls;
use NimbleJunction\Core\Live\Points\Dots;
use NimbleJunction\Core\Live\Points\Fixtures;
use NimbleJunction\Core\Live\Points\Folders;
use NimbleJunction\Core\Live\Points\Grouped;
use NimbleJunction\Core\Live\Points\Held;
use NimbleJunction\Core\Live\Points\Lit;
use NimbleJunction\Core\Live\Points\MidiControls;
use NimbleJunction\Core\Live\Points\Offered;
use NimbleJunction\Core\Live\Points\PanelPages;
use NimbleJunction\Core\Live\Points\PixelColours;
use NimbleJunction\Core\Live\Points\Ports;
use NimbleJunction\Core\Live\Points\Routes;
use NimbleJunction\Core\Live\Points\Slots;
use NimbleJunction\Core\Live\Points\Values;
use NimbleJunction\Core\Live\Programme\LiveProgramme;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Scope\Probes;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Said;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;

/** The rooms of points, and what hangs together with them: a room that is added is named here, and nowhere else. */
final class LivePoints
{
    public readonly Points $all;
    public readonly Values $values;
    public readonly Ports $ports;
    public readonly Passages $passages;
    public Changes $changes;
    public Runner $runner;
    private readonly Watching $watching;
    private readonly Slots $slots;
    private readonly Arriving $arriving;
    private readonly Offered $offered;
    private readonly Fixtures $fixtures;
    private readonly Grouped $grouped;
    private readonly Held $held;
    private readonly Lit $lit;
    private readonly PixelColours $pixels;
    private readonly Dots $dots;
    private readonly MidiControls $midi;
    private readonly Routes $routes;
    private readonly Folders $folders;
    public readonly LiveProgramme $programme;
    public readonly Controls $controls;
    public readonly PanelPages $panels;

    public function __construct(
        private readonly Trace $trace,
        Universes $universes,
        Activities $activities,
        Routing $routing,
        Outputs $outputs,
        private readonly Probes $probes,
    ) {
        $this->all = new Points(fn(Reference $reference) => $this->runner->pressed($reference));
        $changes = fn(): Changes => $this->changes;
        $this->fixtures = new Fixtures($universes, $changes);
        $this->grouped = new Grouped($this->fixtures);
        $this->watching = new Watching($this->all);
        $this->changes = new Changes(
            $universes,
            $routing,
            $outputs,
            $probes,
            $this->watching,
            fn(PointChanged $change) => $this->runner->happened($change),
        );
        $this->slots = new Slots($universes, $changes);
        $this->arriving = new Arriving($universes);
        $this->offered = new Offered($universes);
        $this->held = new Held($universes, $changes);
        $this->lit = new Lit($universes, $changes);
        $this->pixels = new PixelColours($universes, $changes);
        $this->dots = new Dots($universes, $changes);
        $this->ports = new Ports($activities, $changes);
        $changed = function (Reference $point, int|float|string|null $is, int|float|string|null $was): void {
            $this->runner->happened(new PointChanged($point, $is, $was));
        };
        $this->values = new Values($changed);
        $this->passages = new Passages($this->all, $routing->firings);
        $sending = new Sending($trace, $activities);
        $this->midi = new MidiControls($sending, $changed);
        $this->runner = new Runner(
            $trace,
            $this->all,
            $this->changes,
            $universes,
            $sending,
            $routing->firings,
            $routing->switches,
            $this->passages,
            new Courses($this->all),
            new Showings($this->all, $sending, $trace),
        );
        $this->folders = new Folders($routing);
        $this->routes = new Routes(fn(): Runner => $this->runner, $changes, $routing);
        $this->programme = new LiveProgramme(
            $universes,
            $changes,
            $this->all,
            $sending,
            fn(): Runner => $this->runner,
            fn(Event $event) => $this->runner->happened($event),
        );
        $this->controls = new Controls(
            $this->all,
            $changed,
            fn(Reference $reference) => $this->runner->pressed($reference),
        );
        $this->panels = new PanelPages(
            $changed,
            function (array $routes): void {
                foreach ($routes as $route) {
                    $this->runner->showings->forget($route);
                }
            },
        );
        foreach ([
            $this->slots,
            $this->arriving,
            $this->offered,
            $this->fixtures,
            $this->grouped,
            $this->held,
            $this->lit,
            $this->pixels,
            $this->dots,
            $this->ports,
            $this->values,
            $this->midi,
            $this->routes,
            $this->folders,
            $this->controls,
            $this->panels,
        ] as $room) {
            $this->all->add($room);
        }
    }

    /** @return string why it cannot be set so; '' when it is done */
    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $refusal = $this->all->set($reference, $value, $act, $now);
        $words = $refusal === '' ? '{name} sets {point} to {value}' : '{name} cannot set {point} to {value}: {why}';
        $said = new Said(
            $words,
            ['name' => $act->name, 'point' => $reference->text(), 'value' => (string) $value, 'why' => $refusal],
        );
        $this->tell($reference, $refusal, $said, $now);

        return $refusal;
    }

    /** @return string why it cannot be pressed; '' when it is done */
    public function press(Reference $reference, Act $act, int $now): string
    {
        $refusal = $this->all->press($reference, $act, $now);
        $words = $refusal === '' ? '{name} presses {point}' : '{name} cannot press {point}: {why}';
        $this->tell(
            $reference,
            $refusal,
            new Said($words, ['name' => $act->name, 'point' => $reference->text(), 'why' => $refusal]),
            $now,
        );

        return $refusal;
    }

    /** When look() must be called next: somebody waits for points that change with time, a dot runs, or the programme moves. */
    public function dueAt(): int
    {
        return min($this->watching->dueAt, $this->dots->dueAt, $this->programme->dueAt());
    }

    /** Points that change with time are looked at: a port is alive, or not any more. */
    public function look(int $now): void
    {
        $this->ports->passes($now);
        if ($this->dots->dueAt <= $now) {
            $this->dots->passes($now);
        }
        $this->programme->goOn($now);
        foreach ($this->watching->dueAt > $now ? [] : $this->watching->poll($now) as $change) {
            $this->runner->happened($change, true);
        }
    }

    /** What there was before a restart is there again. */
    public function restore(Stored $stored, int $now, int $away): void
    {
        $this->values->restore($stored->part('values'));
        $this->controls->restore($stored->part('controls'));
        $this->panels->restore($stored->part('panels'));
        $this->programme->restore($stored, $now, $away);
        $this->watching->beginAnew();
    }

    public function adopt(Plan $plan, int $now): void
    {
        $this->slots->adopt($plan);
        $this->arriving->adopt($plan);
        $this->offered->adopt($plan);
        $this->fixtures->adopt($plan);
        $this->grouped->adopt($plan);
        $this->held->adopt($plan);
        $this->lit->adopt($plan);
        $this->pixels->adopt($plan);
        $this->dots->adopt($plan);
        $this->ports->adopt($plan);
        $this->values->adopt($plan);
        $this->midi->adopt($plan);
        $this->routes->adopt($plan);
        $this->folders->adopt($plan);
        $this->controls->adopt($plan);
        $this->panels->adopt($plan);
        $this->changes->adopt($plan);
        $this->watching->adopt($plan);
        $this->runner->adopt($plan);
        $this->programme->adopt($plan, $now);
    }

    private function tell(Reference $reference, string $refusal, Said $said, int $now): void
    {
        if ($refusal === '') {
            $this->probes->touches->touch($reference, $now);
        }
        $step = $refusal === '' ? Step::Changed : Step::Refused;
        $this->trace->note(Kind::Hold, "point {$reference->text()}", '', $step, $said, $now);
    }
}
