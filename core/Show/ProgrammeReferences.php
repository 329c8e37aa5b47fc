<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\CueList;
use NimbleJunction\Core\Programme\Follow\BeatFollow;
use NimbleJunction\Core\Programme\Follow\TimecodeFollow;
use NimbleJunction\Core\Programme\Look;
use NimbleJunction\Core\Programme\Master;
use NimbleJunction\Core\Programme\PointValue;
use NimbleJunction\Core\Programme\Tempo;
use NimbleJunction\Core\Programme\Wave\Wave;
use NimbleJunction\Core\Signal\Protocol;

/** Whether what looks, cue lists and masters name is there. */
final readonly class ProgrammeReferences
{
    private const MOST_NAMED = 12;

    public function __construct(private Show $show)
    {
    }

    /** @return list<Fault> */
    public function ofLook(Look $look, string $path): array
    {
        return [...$this->ofValues($look->values, "{$path}/values"), ...$this->ofActions($look->do, "{$path}/do")];
    }

    /** @return list<Fault> */
    public function ofList(CueList $list, string $path): array
    {
        $port = $this->show->ports[$list->mscPort] ?? null;
        $faults = match (true) {
            $list->mscPort === '' => [],
            $port === null => [$this->missing("{$path}/mscPort", 'port', $list->mscPort, $this->show->ports)],
            $port->protocol !== Protocol::Midi => [new Fault(
                "{$path}/mscPort",
                "\"{$port->name}\" is {$port->protocol->spelled()}",
                'Name the id of a port that speaks MIDI.',
            )],
            $port->receive === null => [new Fault(
                "{$path}/mscPort",
                "\"{$port->name}\" does not receive",
                'Give the port that side first.',
            )],
            default => [],
        };
        foreach ($list->cues as $i => $cue) {
            if ($cue->look !== '' && ! isset($this->show->looks[$cue->look])) {
                $faults[] = $this->missing("{$path}/cues/{$i}/look", 'look', $cue->look, $this->show->looks);
            }
            $tempo = $cue->follow instanceof BeatFollow ? $cue->follow->tempo : '';
            if ($tempo !== '' && ! isset($this->show->tempos[$tempo])) {
                $faults[] = $this->missing("{$path}/cues/{$i}/follow/tempo", 'tempo', $tempo, $this->show->tempos);
            }
            if ($cue->follow instanceof TimecodeFollow) {
                array_push(
                    $faults,
                    ...(new RouteReferences($this->show))->ofPart($cue->follow->trigger(), "{$path}/cues/{$i}/follow"),
                );
            }
            array_push(
                $faults,
                ...$this->ofValues($cue->values, "{$path}/cues/{$i}/values"),
                ...$this->ofActions($cue->do, "{$path}/cues/{$i}/do"),
            );
        }

        return $faults;
    }

    /** @return list<Fault> */
    public function ofMaster(Master $master, string $path): array
    {
        $faults = [];
        $named = [
            'lists' => ['list', $master->lists, $this->show->lists],
            'looks' => ['look', $master->looks, $this->show->looks],
            'universes' => ['universe', $master->universes, $this->show->universes],
            'groups' => ['group', $master->groups, $this->show->groups],
            'fixtures' => ['fixture', $master->fixtures, $this->show->fixtures],
            'linked' => ['master', $master->linked, $this->show->masters],
        ];
        foreach ($named as $field => [$what, $ids, $known]) {
            foreach ($ids as $i => $id) {
                if (! isset($known[$id])) {
                    $faults[] = $this->missing("{$path}/{$field}/{$i}", $what, $id, $known);
                }
            }
        }

        return $faults;
    }

    /** @return list<Fault> */
    public function ofWave(Wave $wave, string $path): array
    {
        $faults = [];
        foreach ($wave->on as $i => $one) {
            if (! PointNames::isThere($this->show, $one->point)) {
                $faults[] = new Fault("{$path}/on/{$i}/point", "there is no point \"{$one->point->text()}\"", Reference::RULE);
            }
        }
        if ($wave->tempo !== '' && ! isset($this->show->tempos[$wave->tempo])) {
            $faults[] = $this->missing("{$path}/tempo", 'tempo', $wave->tempo, $this->show->tempos);
        } elseif ($wave->unit === 'beats' && $this->show->tempos === []) {
            $faults[] = new Fault(
                "{$path}/unit",
                'there is no tempo yet',
                'Add a tempo first, or give the rate in turns a second.',
            );
        }

        return $faults;
    }

    /** @return list<Fault> */
    public function ofTempo(Tempo $tempo, string $path): array
    {
        $faults = [];
        foreach (['clocks' => $tempo->clocks, 'sends' => $tempo->sends] as $field => $ports) {
            foreach ($ports as $i => $id) {
                $port = $this->show->ports[$id] ?? null;
                $isFit = $port !== null
                    && $port->protocol === Protocol::Midi
                    && ($field === 'clocks' ? $port->receive : $port->send) !== null;
                if (! $isFit) {
                    $does = $field === 'clocks' ? 'receives' : 'sends';
                    $faults[] = new Fault(
                        "{$path}/{$field}/{$i}",
                        "\"{$id}\" is no MIDI port that {$does}",
                        "Name the id of a MIDI port that {$does}.",
                    );
                }
            }
        }

        return $faults;
    }

    /**
     * @param list<PointValue> $values
     *
     * @return list<Fault>
     */
    private function ofValues(array $values, string $path): array
    {
        $faults = [];
        foreach ($values as $i => $one) {
            if (! PointNames::isThere($this->show, $one->point)) {
                $faults[] = new Fault("{$path}/{$i}/point", "there is no point \"{$one->point->text()}\"", Reference::RULE);
            } elseif ($one->isGiven() && ! is_numeric($one->value)) {
                $faults[] = new Fault("{$path}/{$i}/value", "it is \"{$one->value}\"", 'A slot, or a parameter, has a number.');
            }
        }

        return $faults;
    }

    /**
     * @param list<Kind> $actions
     *
     * @return list<Fault>
     */
    private function ofActions(array $actions, string $path): array
    {
        $faults = [];
        foreach ($actions as $i => $action) {
            array_push($faults, ...(new RouteReferences($this->show))->ofPart($action, "{$path}/{$i}"));
        }

        return $faults;
    }

    /** @param array<string, mixed> $known by id */
    private function missing(string $path, string $what, string $id, array $known): Fault
    {
        $names = implode(', ', \array_slice(array_keys($known), 0, self::MOST_NAMED)) ?: 'none yet';

        return new Fault($path, "there is no {$what} \"{$id}\"", "There are: {$names}.");
    }
}
