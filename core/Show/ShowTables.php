<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Document\Schema;

/** The parts of a show document as tables in Markdown, as their classes describe them. */
final class ShowTables
{
    private const HEADINGS = [
        'trigger' => 'Triggers, in `when`',
        'condition' => 'Conditions, in `if`',
        'step' => 'Steps, in `steps`',
        'action' => 'Actions, in `do`',
        'option' => 'Options of `choose`',
        'back' => 'Feedback, in `back`',
        'message' => 'Messages of `send`',
        'argument' => 'Arguments of an OSC message',
        'fromEnd' => 'The short form, `from`',
        'toEnd' => 'The short form, `to`',
        'layout' => 'How pixels lie, in `layout`',
        'follow' => 'When the next cue goes by itself, in `follow`',
        'handle' => 'Parts of panels, in `does`',
        'trackKind' => 'Tracks of timelines, in `does`',
        'dayMoment' => 'Moments of a day, in `when` of an occasion',
        'controlKind' => 'Controls of surfaces, in `does`',
        'offeredFunction' => 'What values of an offered parameter do, in `functions`',
    ];

    public static function kinds(): string
    {
        $tables = [];
        foreach (ShowReader::kinds()->kinds as $name => $classes) {
            $rows = array_map(
                static fn(string $class): string => "| `{$class::kind()}` | {$class::label()} | ".self::names($class).' |',
                $classes,
            );
            $tables[] = '### '.self::HEADINGS[$name]."\n\n| kind | what | fields |\n|---|---|---|\n".implode("\n", $rows);
        }

        return implode("\n\n", $tables);
    }

    public static function parts(): string
    {
        $parts = [];
        foreach (Show::LISTS as [$class]) {
            $parts[Schema::nameOf($class)] = [$class];
        }
        $parts += Schema::heldBy(array_merge(...array_values(ShowReader::kinds()->kinds)));
        $tables = [];
        foreach (Schema::held($parts) as $name => $classes) {
            if ($name === 'route') {
                continue;
            }
            $rows = [];
            foreach ($classes as $class) {
                foreach (Reading::fieldsOf($class) as $field) {
                    $row = "| `{$field->name}` | {$field->label} | ".self::where($field).' |';
                    $rows[$row] = $row;
                }
            }
            $tables[] = "### `{$name}`\n\n| field | what | where |\n|---|---|---|\n".implode("\n", $rows);
        }

        return implode("\n\n", $tables);
    }

    /** @param class-string<Part> $class */
    private static function names(string $class): string
    {
        $names = array_map(
            static fn(Field $field): string => "`{$field->name}`".($field->isNeeded ? '' : ' (may be left out)'),
            Reading::fieldsOf($class),
        );

        return $names === [] ? '–' : implode(', ', $names);
    }

    private static function where(Field $field): string
    {
        return implode('; ', array_filter([$field->condition(), $field->isNeeded ? 'needed' : '']));
    }
}
