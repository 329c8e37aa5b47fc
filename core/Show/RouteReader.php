<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Document\Kinds as DocumentKinds;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Kinds;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Step\ScaleStep;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Trigger\MessageTrigger;

/** Reads a route: its trigger, conditions, steps and actions, or the two ends of the short form. */
final class RouteReader
{
    public static function read(Fields $fields): RouteEntry
    {
        $id = $fields->id();
        $name = $fields->string('name');
        $enabled = $fields->flag('enabled', true);
        $isLong = $fields->has('when') || $fields->has('do');
        if (! $isLong) {
            $ends = self::ends($fields);

            return new RouteEntry($id, $name, $enabled, $ends, self::asItRuns($id, $name, $enabled, $ends));
        }
        if ($fields->has('folder')) {
            $fields->string('folder');
        }

        return new RouteEntry($id, $name, $enabled, null, self::long($fields, $id, $name, $enabled));
    }

    private static function long(Fields $fields, string $id, string $name, bool $enabled): Route
    {
        $kinds = Kinds::all();
        $triggers = $fields->isList('when')
            ? $kinds->readList($fields, 'when', 'trigger')
            : array_values(array_filter([$kinds->readOne($fields, 'when', 'trigger')]));
        if ($fields->isEmpty('when')) {
            $fields->fault('when', 'there is none', 'Give at least one trigger.');
        }
        $actions = $kinds->readList($fields, 'do', 'action');
        if ($fields->has('do') === false || ($actions === [] && $fields->isEmpty('do'))) {
            $fields->fault('do', 'there is none', 'Give at least one action.');
        }

        return new Route(
            $id,
            $name,
            $enabled,
            self::only($triggers, Trigger::class),
            self::only(self::parts($kinds, $fields, 'if', 'condition'), Condition::class),
            self::only(self::parts($kinds, $fields, 'steps', 'step'), Step::class),
            self::only($actions, Action::class),
        );
    }

    /** @return list<Kind> */
    private static function parts(DocumentKinds $kinds, Fields $fields, string $name, string $of): array
    {
        return $fields->has($name) ? $kinds->readList($fields, $name, $of) : [];
    }

    private static function ends(Fields $fields): Ends
    {
        $from = $fields->object('from');
        $to = $fields->object('to');
        $fromMessage = $from === null || $from->word('kind', ['message', 'slot']) === 'message';
        if ($to !== null) {
            $to->word('kind', [$fromMessage ? 'slot' : 'message']);
        }
        $message = $fromMessage ? $from : $to;
        $slot = $fromMessage ? $to : $from;
        $ends = new Ends(
            $fromMessage,
            $message === null ? new MessageEnd('', '', 1, 'float', 0.0, 1.0) : new MessageEnd(
                $message->id('port'),
                $message->matching('address', ShowReader::ADDRESS_PATTERN, ShowReader::ADDRESS_RULE),
                $fromMessage ? $message->whole('argument', 1, 64, 1) : 1,
                $fromMessage ? 'float' : $message->word('type', ['float', 'int'], 'float'),
                $message->number('low', 0.0),
                $message->number('high', 1.0),
            ),
            $slot === null ? new SlotEnd('', 1, 0, 255) : new SlotEnd(
                $slot->id('universe'),
                $slot->whole('slot', 1, 512),
                $slot->whole('low', 0, 255, 0),
                $slot->whole('high', 0, 255, 255),
            ),
        );
        $from?->close();
        $to?->close();

        return $ends;
    }

    private static function asItRuns(string $id, string $name, bool $enabled, Ends $ends): ?Route
    {
        $point = Reference::parse("slot:{$ends->slot->universe}/{$ends->slot->slot}");
        if (! $ends->fromMessage || $point === null) {
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
        );
    }

    /**
     * @template T of Kind
     *
     * @param list<Kind> $parts
     * @param class-string<T> $class
     *
     * @return list<T>
     */
    private static function only(array $parts, string $class): array
    {
        $only = [];
        foreach ($parts as $part) {
            if ($part instanceof $class) {
                $only[] = $part;
            }
        }

        return $only;
    }
}
