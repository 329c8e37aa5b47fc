<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Trace\Names;

/** What the plan in force calls things. */
final readonly class PlanNames implements Names
{
    public function __construct(private Plan $plan, private Universes $universes)
    {
    }

    public function port(string $id): string
    {
        return $this->plan->portName($id);
    }

    public function universe(string $id): string
    {
        return $this->plan->universeName($id);
    }

    public function run(string $universeId, int $first, int $last): string
    {
        $slots = $first === $last ? "slot {$first}" : "slots {$first} to {$last}";

        return $this->plan->patch->saidOfRun($universeId, $first, $last, "{$slots} of {$this->universe($universeId)}");
    }

    /** What listens there, where the patch knows; the reference itself elsewhere. */
    public function point(string $reference): string
    {
        $point = Reference::parse($reference);
        $patch = $this->plan->patch;

        return match ($point?->kind) {
            'fixture' => $patch->find($point->id, $point->part)?->name() ?? $reference,
            'group' => isset($patch->groups->groups[$point->id])
                ? "{$patch->groups->groups[$point->id]->name}, {$point->part}"
                : $reference,
            'light' => isset($patch->fixtures[$point->id]) ? "the light of {$patch->fixtures[$point->id]->name}" : $reference,
            'pixels' => $this->plan->pixels->said($point->id, $point->part),
            'dot' => $this->plan->pixels->saidOfDot($point->id, $point->part),
            'arriving' => "what arrives at slot {$point->part} of {$this->universe($point->id)}",
            'look', 'list', 'master', 'wave', 'tempo', 'programme' => $this->plan->programme->said($point),
            'offer' => $this->plan->offers->said($point),
            'slot' => $patch->said($point->id, (int) $point->part, "slot {$point->part} of {$this->universe($point->id)}"),
            default => $reference,
        };
    }

    public function message(Message $message): string
    {
        return $this->plan->agreed->said($message, $this->plan->middleC);
    }

    public function explain(string $universeId, int $slot): string
    {
        return $this->universes->find($universeId)?->explain($slot) ?? '';
    }

    public function nearMiss(string $portId, Message $message): ?array
    {
        $near = NearMiss::find($this->plan, $portId, $message);

        return $near === null ? null : ['route' => $near['route']->id, 'words' => "\"{$near['route']->name}\" {$near['why']}"];
    }
}
