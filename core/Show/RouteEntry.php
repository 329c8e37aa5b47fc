<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Constrained;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\PartOfKind;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Back;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Step\ScaleStep;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Trigger\MessageTrigger;

/**
 * A route of the show: when this, do that. Most are a message that sets a slot, or a slot that is told to another
 * end; these have the short form, with two ends.
 */
final readonly class RouteEntry implements Part, Checked, Constrained
{
    /** Of the short form; null where it has its trigger, steps and actions one by one. */
    public ?Ends $ends;

    /** As it runs; null for a slot that is told to another end, which keeps in mind what that shows. */
    public ?Route $route;

    /**
     * @param string $folder '' for none
     * @param string $note '' for none
     * @param list<Trigger> $when any of which will do
     * @param list<Condition> $if
     * @param list<Step> $steps
     * @param list<Action> $do
     */
    public function __construct(
        public string $id,
        public string $name,
        public bool $enabled,
        public string $folder,
        public string $note,
        array $when,
        array $if,
        array $steps,
        array $do,
        ?Kind $back,
        ?Kind $from,
        ?Kind $to,
    ) {
        $this->ends = self::ends($from, $to);
        $this->route = match (true) {
            $this->ends === null => new Route(
                $id,
                $name,
                $enabled,
                $when,
                $if,
                $steps,
                $do,
                $back instanceof Back ? $back : null,
                $folder,
            ),
            $this->ends->fromMessage => self::asItRuns($id, $name, $enabled, $this->ends, $folder),
            default => null,
        };
    }

    public static function label(): string
    {
        return 'Route';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::flag('enabled', 'Enabled', true),
            Field::textOrNone('folder', 'Folder', 120),
            Field::textOrNone('note', 'Note', 500)->meaning('For people: what it is for, who asked for it.'),
            Field::parts('when', 'When', 'trigger')->orOne()->meaning('One trigger, or several of which any will do.'),
            Field::parts('if', 'If', 'condition'),
            Field::parts('steps', 'Steps', 'step'),
            Field::parts('do', 'Do', 'action'),
            (new PartOfKind('back', 'Feedback', 'back', false))->meaning(
                'What the control is told of what it drives: a motor, a lamp, a page.',
            ),
            new PartOfKind('from', 'From', 'fromEnd', false),
            new PartOfKind('to', 'To', 'toEnd', false),
        ];
    }

    public static function constraint(): array
    {
        return ['oneOf' => [['required' => ['when', 'do']], ['required' => ['from', 'to']]]];
    }

    public function check(Fields $fields): void
    {
        if ($fields->has('when') || $fields->has('do')) {
            $this->checkLong($fields);

            return;
        }
        foreach (['from', 'to'] as $end) {
            if (! $fields->has($end)) {
                $fields->fault($end, 'it is missing', 'Give "from" and "to", or "when" and "do".');
            }
        }
        foreach (['if', 'steps', 'back'] as $name) {
            if ($fields->has($name)) {
                $fields->fault($name, 'this field is not known here', 'Known beside "when" and "do" only.');
            }
        }
        $from = $fields->has('from') ? $fields->raw('from')['kind'] ?? null : null;
        $to = $fields->has('to') ? $fields->raw('to')['kind'] ?? null : null;
        if (\is_string($to) && $from === $to) {
            $fields->fault('to/kind', "it is \"{$to}\"", 'Use one of: '.($from === 'message' ? 'slot' : 'message').'.');
        }
    }

    private function checkLong(Fields $fields): void
    {
        foreach (['from', 'to'] as $end) {
            if ($fields->has($end)) {
                $fields->fault($end, 'this field is not known here', 'Give "from" and "to", or "when" and "do".');
            }
        }
        if ($fields->isEmpty('when')) {
            $fields->fault('when', 'there is none', 'Give at least one trigger.');
        }
        if ($fields->isEmpty('do')) {
            $fields->fault('do', 'there is none', 'Give at least one action.');
        }
        $problem = $this->route === null ? '' : $this->route->back?->problem($this->route) ?? '';
        if ($problem !== '') {
            $fields->fault('back', $problem, 'Leave the feedback out, or change the route.');
        }
    }

    private static function ends(?Kind $from, ?Kind $to): ?Ends
    {
        if ($from instanceof MessageFrom && $to instanceof SlotEnd) {
            return new Ends(true, $from->end, $to);
        }

        return $from instanceof SlotEnd && $to instanceof MessageTo ? new Ends(false, $to->end, $from) : null;
    }

    private static function asItRuns(string $id, string $name, bool $enabled, Ends $ends, string $folder): ?Route
    {
        $point = Reference::parse("slot:{$ends->slot->universe}/{$ends->slot->slot}");
        if ($point === null) {
            return null;
        }

        return new Route(
            $id,
            $name,
            $enabled,
            [new MessageTrigger($ends->message->port, $ends->message->address, $ends->message->argument)],
            [],
            [new ScaleStep([$ends->message->low, $ends->message->high], [(float) $ends->slot->low, (float) $ends->slot->high])],
            [new SetAction($point)],
            folder: $folder,
        );
    }
}
