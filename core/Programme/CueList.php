<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\Follow\TimecodeFollow;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Condition\PointCondition;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Send\MscWords;
use NimbleJunction\Core\Route\Trigger\MscTrigger;
use NimbleJunction\Core\Route\Trigger\StartedTrigger;

/** Cues in their order, run one after the other. */
final readonly class CueList implements Part, Checked
{
    public const MOST = 500;

    /** @var array<string, Route> what its cues do besides, as ordinary routes, by id */
    public array $routes;

    private const ENDS = ['none', 'loop', 'bounce'];

    private const END_TITLES = [
        'none' => 'the last cue stays',
        'loop' => 'go begins again with the first',
        'bounce' => 'go runs back from there, and forth again',
    ];

    /**
     * @param string $number as show control calls it; '' for none
     * @param list<Cue> $cues by their numbers
     * @param bool $tracking whether what a cue does not name stays as earlier ones left it
     * @param string $end none, loop, or bounce
     * @param int|null $priority 0 to 200; null joins whoever is in control
     * @param bool $begins whether it goes by itself when the engine starts, unless it is in a cue then
     * @param string $mscPort id of the port that show control comes in by; '' for none
     * @param int|null $mscDevice 0 to 111; null for any
     * @param string $mscFormat a word of the standard's list; "any" for all
     * @param string $mscPath '' for any
     * @param string $note '' for none
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $number = '',
        public array $cues = [],
        public bool $tracking = false,
        public string $end = 'none',
        public ?int $priority = null,
        public bool $begins = false,
        public string $mscPort = '',
        public ?int $mscDevice = null,
        public string $mscFormat = MscTrigger::ANY,
        public string $mscPath = '',
        public string $note = '',
    ) {
        $routes = [];
        foreach ([...($mscPort === '' ? [] : [$this->obeying()]), ...($begins ? [$this->beginning()] : [])] as $route) {
            $routes[$route->id] = $route;
        }
        foreach ($cues as $cue) {
            if ($cue->do !== []) {
                $route = WhenTrigger::route(
                    "list.{$id}.{$cue->number}",
                    "{$name}, cue {$cue->number}",
                    $this->gone($cue),
                    $cue->do,
                );
                $routes[$route->id] = $route;
            }
            if ($cue->follow instanceof TimecodeFollow) {
                $route = $this->following($cue, $cue->follow);
                $routes[$route->id] = $route;
            }
        }
        $this->routes = $routes;
    }

    /** What occurs when a cue of it goes. */
    public function gone(Cue $cue): Occurred
    {
        return new Occurred("went list {$this->id} cue {$cue->number}", ['point' => "list:{$this->id}"]);
    }

    public static function label(): string
    {
        return 'Cue list';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::pattern('number', 'Number', Cue::PATTERN, Cue::RULE, false)->meaning('What show control calls it.'),
            Field::flag('tracking', 'Tracking', false)
                ->meaning('On: what a cue does not name stays as earlier cues left it. Off: a cue is all that its list gives.'),
            Field::word('end', 'After the last cue', self::ENDS, 'none')->called(self::END_TITLES),
            Field::whole('priority', 'Priority; empty to join whoever is in control', 0, 200, null, false)->rare(),
            Field::objects('cues', 'Cues', Cue::class, 2000),
            Field::flag('begins', 'Goes when the engine starts', false)->rare(),
            Field::portOrNone('mscPort', 'Show control (MSC) at port')->rare(),
            Field::whole('mscDevice', 'MSC device, 0 to 111; empty for any', 0, 111, null, false)->rare(),
            Field::pattern('mscPath', 'MSC path; empty for any', Cue::PATTERN, Cue::RULE, false)->rare(),
            Field::word('mscFormat', 'MSC command format', [MscTrigger::ANY, ...MscWords::formats()], MscTrigger::ANY)->rare(),
            Field::textOrNone('note', 'Note', 1000)->rare(),
        ];
    }

    /** What goes by itself goes by an ordinary route. */
    private function beginning(): Route
    {
        $running = Reference::parse("list:{$this->id}/running");
        $actions = $running === null ? [] : [new SetAction($running, 1)];

        return new Route("list.{$this->id}.start", "{$this->name}, at the start", true, [new StartedTrigger()], [], [], $actions);
    }

    /** What follows at a time code follows by an ordinary route, as long as the list is in that cue and runs. */
    private function following(Cue $cue, TimecodeFollow $follow): Route
    {
        $wanted = ['cue' => (float) $cue->number, 'running' => 1, 'follows' => 1];
        $conditions = [];
        foreach ($wanted as $part => $is) {
            $point = Reference::parse("list:{$this->id}/{$part}");
            $conditions = $point === null ? $conditions : [...$conditions, new PointCondition($point, $is)];
        }
        $go = Reference::parse("list:{$this->id}/go");

        return new Route(
            "list.{$this->id}.{$cue->number}.at",
            "{$this->name}, cue {$cue->number}, at its time code",
            true,
            [$follow->trigger()],
            $conditions,
            [],
            $go === null ? [] : [new PressAction($go)],
        );
    }

    /** Show control is obeyed by an ordinary route. */
    private function obeying(): Route
    {
        return new Route(
            "list.{$this->id}",
            "{$this->name}, show control",
            true,
            [new ListCommandTrigger($this->mscPort, $this->mscDevice, $this->mscFormat, $this->number, $this->mscPath)],
            [],
            [],
            [new ListCommandAction($this->id)],
        );
    }

    public function check(Fields $fields): void
    {
        $before = null;
        foreach ($this->cues as $i => $cue) {
            if ($before !== null && Cue::compare($before, $cue->number) >= 0) {
                $fields->fault(
                    "cues/{$i}/number",
                    "{$cue->number} comes after {$before}",
                    'Cues stand in the order of their numbers, each number once.',
                );
            }
            $before = $cue->number;
        }
    }

    /** @return int|null the place of a cue; null where there is none of this number */
    public function place(string $number): ?int
    {
        foreach ($this->cues as $i => $cue) {
            if (Cue::compare($cue->number, $number) === 0) {
                return $i;
            }
        }

        return null;
    }

    /** @return string what it does with what a cue does not name, in words */
    public function words(): string
    {
        return $this->tracking
            ? 'Tracking: what a cue does not name stays as earlier cues left it.'
            : 'Not tracking: a cue is all that this list gives.';
    }

    /**
     * All that the list gives in a cue.
     *
     * @param array<string, Look> $looks by id
     *
     * @return list<PointValue> where a point stands several times, the last one counts
     */
    public function valuesAt(int $place, array $looks): array
    {
        $values = [];
        for ($i = $this->tracking ? 0 : $place; $i <= $place; ++$i) {
            $cue = $this->cues[$i] ?? null;
            if ($cue === null) {
                break;
            }
            $values = $cue->block ? [] : $values;
            array_push($values, ...$this->ownValues($cue, $looks));
        }

        return $values;
    }

    /**
     * What a cue names itself.
     *
     * @param array<string, Look> $looks by id
     *
     * @return list<PointValue>
     */
    public function ownValues(Cue $cue, array $looks): array
    {
        return [...$looks[$cue->look]->values ?? [], ...$cue->values];
    }
}
