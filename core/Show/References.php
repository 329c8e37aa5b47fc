<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Desk\DeskMessage;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Message\MidiAddress;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Group;
use NimbleJunction\Core\Pixels\PixelMap;
use NimbleJunction\Core\Signal\Protocol;

/** Whether the parts of a show that name each other fit each other. */
final readonly class References
{
    /** @param \ArrayObject<int, Fault> $faults */
    public function __construct(private Show $show, private \ArrayObject $faults)
    {
    }

    /** @param \Closure(): void $between called between two parts */
    public function check(\Closure $between): void
    {
        foreach (array_values($this->show->universes) as $i => $universe) {
            $chosen = $universe->rules->chosen;
            if ($chosen !== '' && ($this->show->ports[$chosen]->receive ?? null) === null) {
                $this->fault(
                    "/universes/{$i}/chosen",
                    "there is no port \"{$chosen}\" that receives",
                    'Name the id of a port that feeds this universe.',
                );
            }
        }
        foreach (array_values($this->show->ports) as $i => $port) {
            foreach ($port->receive->feeds ?? [] as $k => $link) {
                $this->universe("/ports/{$i}/receive/feeds/{$k}/universe", $link->universe);
            }
            foreach ($port->send->carries ?? [] as $k => $link) {
                $this->universe("/ports/{$i}/send/carries/{$k}/universe", $link->universe);
            }
        }
        foreach (array_values($this->show->routes) as $i => $route) {
            $between();
            $this->route($i, $route);
        }
        foreach (array_values($this->show->fixtures) as $i => $fixture) {
            $between();
            $this->fixture($i, $fixture);
        }
        foreach (array_values($this->show->groups) as $i => $group) {
            $this->group($i, $group);
        }
        foreach (array_values($this->show->pixels) as $i => $map) {
            $this->pixels($i, $map);
        }
        foreach (array_values($this->show->offers) as $i => $offer) {
            foreach ((new OfferReferences($this->show))->faults($offer, "/offers/{$i}") as $fault) {
                $this->faults[] = $fault;
            }
        }
        $this->programme(new ProgrammeReferences($this->show));
        $this->surfaces(new SurfaceReferences($this->show));
        $this->timelines(new TimelineReferences($this->show));
        foreach (array_values($this->show->copies) as $i => $copy) {
            $this->universe("/copies/{$i}/from/universe", $copy->from);
            $this->universe("/copies/{$i}/to/universe", $copy->to);
            if ($this->leadsBack($copy->to, $copy->from, [])) {
                $this->fault(
                    "/copies/{$i}/to/universe",
                    "\"{$copy->name}\" makes a circle: what it fills comes back to where it is from",
                    'Let copies run one way, or exchange slots with a swap.',
                );
            }
        }
    }

    /** @param array<string, true> $seen */
    private function leadsBack(string $universe, string $goal, array $seen): bool
    {
        if ($universe === $goal) {
            return true;
        }
        $seen[$universe] = true;
        foreach ($this->show->copies as $copy) {
            if ($copy->from === $universe && ! isset($seen[$copy->to]) && $this->leadsBack($copy->to, $goal, $seen)) {
                return true;
            }
        }

        return false;
    }

    private function route(int $i, RouteEntry $route): void
    {
        if ($route->ends === null) {
            foreach ($route->route === null ? [] : (new RouteReferences($this->show))->faults($route->route, "/routes/{$i}") as $fault) {
                $this->faults[] = $fault;
            }

            return;
        }
        $ends = $route->ends;
        [$message, $slot] = $ends->fromMessage ? ['from', 'to'] : ['to', 'from'];
        $this->universe("/routes/{$i}/{$slot}/universe", $ends->slot->universe);
        $port = $this->show->ports[$ends->message->port] ?? null;
        $path = "/routes/{$i}/{$message}/port";
        if ($port === null) {
            if ($ends->message->port !== '') {
                $this->fault(
                    $path,
                    "there is no port \"{$ends->message->port}\"",
                    'Name the id of a port that carries messages: OSC, MIDI or a game controller.',
                );
            }

            return;
        }
        if ($port->protocol->carriesLevels()) {
            $this->fault(
                $path,
                "\"{$port->name}\" is {$port->protocol->spelled()} and carries no messages",
                'Name the id of a port that carries messages: OSC, MIDI or a game controller.',
            );
        } elseif (($ends->fromMessage ? $port->receive : $port->send) === null) {
            $this->fault(
                $path,
                "\"{$port->name}\" does not ".($ends->fromMessage ? 'receive' : 'send'),
                'Give the port that side first.',
            );
        } elseif (
            $port->protocol === Protocol::Midi
            && ! $ends->fromMessage
            && ! MidiAddress::canBeSent($ends->message->address)
        ) {
            $this->fault(
                "/routes/{$i}/{$message}/address",
                "\"{$ends->message->address}\" is no MIDI message that can be sent",
                MidiAddress::RULE,
            );
        }
    }

    private function fixture(int $i, Fixture $fixture): void
    {
        $this->universe("/fixtures/{$i}/universe", $fixture->universeId);
        $profile = $this->show->profiles[$fixture->profileId] ?? null;
        if ($profile === null) {
            if ($fixture->profileId !== '') {
                $this->fault(
                    "/fixtures/{$i}/profile",
                    "there is no profile \"{$fixture->profileId}\", and \"{$fixture->name}\" is of it",
                    'Profiles are: '.(implode(', ', \array_slice(array_keys($this->show->profiles), 0, 12)) ?: 'none yet').'.',
                );
            }

            return;
        }
        $footprint = $profile->mode($fixture->modeId)->footprint;
        if (! isset($profile->byMode[$fixture->modeId]) && ($fixture->modeId !== '' || $profile->modes === [])) {
            $modes = implode(', ', array_filter(array_keys($profile->byMode))) ?: 'none: it has one alone';
            $this->fault(
                "/fixtures/{$i}/mode",
                "\"{$profile->name}\" has no mode \"{$fixture->modeId}\"",
                "Modes are: {$modes}.",
            );
        }
        if ($fixture->first + $footprint->slots > 513) {
            $this->fault(
                "/fixtures/{$i}/first",
                "\"{$fixture->name}\" would end at slot ".($fixture->first + $footprint->slots - 1),
                "It takes {$footprint->slots} slots: begin at ".(513 - $footprint->slots).' or below.',
            );
        }
        foreach ($fixture->precedences as $k => $one) {
            if ($footprint->find($one->parameter) === null) {
                $this->fault(
                    "/fixtures/{$i}/precedences/{$k}/parameter",
                    "it has no parameter \"{$one->parameter}\"",
                    'Parameters are: '.implode(', ', \array_slice(array_keys($footprint->byKey), 0, 12)).'.',
                );
            }
        }
        foreach ($fixture->sharesWith as $k => $id) {
            $this->sharing("/fixtures/{$i}/sharesWith/{$k}", $id);
        }
    }

    private function group(int $i, Group $group): void
    {
        foreach ($group->members as $k => $member) {
            $other = Group::named($member);
            if ($other === '' ? ! isset($this->show->fixtures[$member]) : ! isset($this->show->groups[$other])) {
                $what = $other === '' ? "fixture \"{$member}\"" : "group \"{$other}\"";
                $this->fault(
                    "/groups/{$i}/members/{$k}",
                    "there is no {$what}",
                    'Name the id of a fixture, or group: and the id of a group.',
                );
            }
        }
        if ($this->show->patch()->groups->isCircle($group->id)) {
            $this->fault(
                "/groups/{$i}/members",
                "\"{$group->name}\" has itself among its members, or theirs",
                'Take one of the groups out.',
            );
        }
    }

    private function pixels(int $i, PixelMap $map): void
    {
        foreach ($map->universes as $k => $universe) {
            $this->universe("/pixels/{$i}/universes/{$k}", $universe);
        }
        foreach ($map->sharesWith as $k => $id) {
            $this->sharing("/pixels/{$i}/sharesWith/{$k}", $id);
        }
    }

    private function programme(ProgrammeReferences $references): void
    {
        $faults = [];
        foreach (array_values($this->show->looks) as $i => $look) {
            array_push($faults, ...$references->ofLook($look, "/looks/{$i}"));
        }
        foreach (array_values($this->show->lists) as $i => $list) {
            array_push($faults, ...$references->ofList($list, "/lists/{$i}"));
        }
        foreach (array_values($this->show->masters) as $i => $master) {
            array_push($faults, ...$references->ofMaster($master, "/masters/{$i}"));
        }
        foreach (array_values($this->show->waves) as $i => $wave) {
            array_push($faults, ...$references->ofWave($wave, "/waves/{$i}"));
        }
        foreach (array_values($this->show->tempos) as $i => $tempo) {
            array_push($faults, ...$references->ofTempo($tempo, "/tempos/{$i}"));
        }
        foreach ($faults as $fault) {
            $this->faults[] = $fault;
        }
    }

    private function surfaces(SurfaceReferences $references): void
    {
        foreach (array_values($this->show->surfaces) as $i => $surface) {
            foreach ($references->of($surface, "/surfaces/{$i}") as $fault) {
                $this->faults[] = $fault;
            }
        }
        foreach (array_values($this->show->panels) as $i => $panel) {
            foreach ($references->ofPanel($panel, "/panels/{$i}") as $fault) {
                $this->faults[] = $fault;
            }
        }
    }

    private function timelines(TimelineReferences $references): void
    {
        foreach (array_values($this->show->timelines) as $i => $timeline) {
            foreach ($references->of($timeline, "/timelines/{$i}") as $fault) {
                $this->faults[] = $fault;
            }
        }
        foreach (array_values($this->show->desks) as $i => $desk) {
            $port = $this->show->ports[$desk->port] ?? null;
            if ($port?->send === null || $port->protocol !== DeskMessage::protocol($desk)) {
                $what = DeskMessage::protocol($desk)->spelled();
                $this->fault(
                    "/desks/{$i}/port",
                    "\"{$desk->port}\" is no {$what} port that sends",
                    "Name the id of a port that speaks {$what}, and sends.",
                );
            }
        }
        foreach (array_values($this->show->occasions) as $i => $occasion) {
            foreach ($occasion->do as $n => $action) {
                foreach ((new RouteReferences($this->show))->ofPart($action, "/occasions/{$i}/do/{$n}") as $fault) {
                    $this->faults[] = $fault;
                }
            }
        }
        foreach (array_values($this->show->timecodes) as $i => $timecode) {
            foreach ($references->ofTimecode($timecode, "/timecodes/{$i}") as $fault) {
                $this->faults[] = $fault;
            }
        }
    }

    private function sharing(string $path, string $id): void
    {
        if (! isset($this->show->fixtures[$id]) && ! isset($this->show->pixels[$id]) && ! isset($this->show->offers[$id])) {
            $this->fault(
                $path,
                "there is no fixture, no pixel map and no offer \"{$id}\"",
                'Name the id of one that shares slots with this one.',
            );
        }
    }

    private function universe(string $path, string $id): void
    {
        if ($id !== '' && ! isset($this->show->universes[$id])) {
            $known = implode(', ', \array_slice(array_keys($this->show->universes), 0, 12));
            $this->fault($path, "there is no universe \"{$id}\"", "Universes are: {$known}.");
        }
    }

    private function fault(string $path, string $problem, string $allowed): void
    {
        $this->faults[] = new Fault($path, $problem, $allowed);
    }
}
