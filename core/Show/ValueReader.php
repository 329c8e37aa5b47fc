<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fields;

/** Reads what a show document says of its own values. */
final class ValueReader
{
    private const LONGEST = 200;

    public static function read(Fields $fields): ValueEntry
    {
        $type = $fields->word('type', ValueEntry::TYPES, 'switch');
        $low = $type === 'number' ? $fields->number('low', 0.0) : 0.0;
        $high = $type === 'number' ? $fields->number('high', 100.0) : 1.0;
        $choices = $type === 'choice' ? $fields->phrases('choices', 100, self::LONGEST) : [];
        if ($low > $high) {
            $fields->fault('high', "it is {$high}, and the lowest is {$low}", 'The highest is at least the lowest.');
        }
        if ($type === 'choice' && $choices === []) {
            $fields->fault('choices', 'there are none', 'Name at least one choice.');
        }
        $start = match ($type) {
            'number' => $fields->within('start', min($low, $high), $high, $low),
            'choice' => $choices === [] ? '' : $fields->word('start', $choices, $choices[0]),
            'text' => $fields->has('start') ? $fields->string('start', self::LONGEST) : '',
            default => (int) $fields->flag('start', false),
        };

        return new ValueEntry($fields->id(), $fields->string('name'), $type, $start, $low, $high, $choices, $fields->flag('kept', true));
    }
}
