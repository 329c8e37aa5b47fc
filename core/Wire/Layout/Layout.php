<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Layout;

use NimbleJunction\Core\Wire\Malformed;

/**
 * A packet kind whose fields stand at fixed places, one after the other. Said
 * once, it serves for reading, for writing, and for showing which byte means what.
 */
final readonly class Layout
{
    /** @var list<Field> */
    public array $fields;

    /** @param int $shortest bytes that a receiver must accept: fields behind that may be missing */
    public function __construct(public string $name, public string $clause, public int $shortest, Field ...$fields)
    {
        $this->fields = array_values($fields);
    }

    /** @throws Malformed */
    public function read(string $bytes): Values
    {
        $values = [];
        foreach ($this->pieces($bytes) as [$field, , $piece]) {
            $values[$field->name] = $field->read($piece);
        }

        return new Values($values);
    }

    /**
     * @return list<Part>
     *
     * @throws Malformed
     */
    public function parts(string $bytes): array
    {
        return array_map(static fn(array $piece): Part => $piece[0]->part($piece[2], $piece[1]), $this->pieces($bytes));
    }

    /**
     * @param array<string, int|string> $values by field; what is missing gets its default
     *
     * @throws Unwritable
     */
    public function write(array $values): string
    {
        $bytes = '';
        foreach ($this->fields as $field) {
            $bytes .= $field->kind === Kind::Fixed
                ? (string) $field->default
                : $field->write($values[$field->name] ?? $field->default);
        }

        return $bytes;
    }

    /**
     * From JSON. Fields at the end that are not given are not written, as long as the shortest packet is whole.
     *
     * @param array<mixed> $plain
     *
     * @throws Unwritable
     */
    public function writePlain(array $plain): string
    {
        $known = array_map(static fn(Field $field): string => $field->name, $this->fields);
        foreach (array_keys($plain) as $name) {
            if (! \in_array($name, $known, true)) {
                throw Unwritable::unknown((string) $name, $known);
            }
        }
        $bytes = '';
        $whole = 0;
        foreach ($this->fields as $field) {
            $given = \array_key_exists($field->name, $plain);
            $value = $given ? $field->fromPlain($plain[$field->name]) : $field->default;
            $bytes .= $field->write($value);
            if ($given || \strlen($bytes) <= $this->shortest) {
                $whole = \strlen($bytes);
            }
        }

        return substr($bytes, 0, $whole);
    }

    /**
     * @return list<array{Field, int, string}> field, offset, bytes: those that are there
     *
     * @throws Malformed
     */
    private function pieces(string $bytes): array
    {
        $length = \strlen($bytes);
        if ($length < $this->shortest) {
            throw Malformed::tooShort($this->name, $this->shortest, $length, $this->clause);
        }
        $pieces = [];
        $offset = 0;
        foreach ($this->fields as $field) {
            $width = $field->width === 0 ? $length - $offset : $field->width;
            if ($offset + $width > $length) {
                break;
            }
            $piece = substr($bytes, $offset, $width);
            if ($field->kind === Kind::Fixed && $piece !== $field->default) {
                throw Malformed::at(
                    $offset,
                    "{$field->name} is ".bin2hex($piece).', '.bin2hex((string) $field->default).' is required',
                    $this->clause,
                );
            }
            $pieces[] = [$field, $offset, $piece];
            $offset += $width;
        }

        return $pieces;
    }
}
