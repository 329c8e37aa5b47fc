<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** All kinds of parts, by the name of what they are kinds of; the one place where a new one is named. */
final readonly class Kinds
{
    public const MOST = 100;
    private const DEEPEST = 8;

    /** @param array<string, list<class-string<Kind>>> $kinds by name */
    public function __construct(private array $kinds, private int $depth = 0)
    {
    }

    /**
     * A list of parts, each with its kind.
     *
     * @return list<Kind>
     */
    public function readList(Fields $fields, string $name, string $of): array
    {
        if ($this->depth >= self::DEEPEST) {
            $fields->fault($name, 'it is nested too deeply', 'Nest at most '.self::DEEPEST.' deep.');

            return [];
        }
        $parts = [];
        foreach ($fields->objects($name, self::MOST) as $one) {
            $part = $this->inner()->read($one, $of);
            if ($part !== null) {
                $parts[] = $part;
            }
            $one->close();
        }

        return $parts;
    }

    public function readOne(Fields $fields, string $name, string $of): ?Kind
    {
        $one = $fields->object($name);
        $part = $one === null ? null : $this->inner()->read($one, $of);
        $one?->close();

        return $part;
    }

    /** @return array<string, mixed> definitions of JSON Schema, by name */
    public function schema(): array
    {
        return array_map(fn(array $classes): array => ['oneOf' => array_map(self::schemaOf(...), $classes)], $this->kinds);
    }

    /** @return array<string, list<array{kind: string, label: string, fields: list<array<string, mixed>>}>> what forms need, by name */
    public function described(): array
    {
        $described = [];
        foreach ($this->kinds as $name => $classes) {
            foreach ($classes as $class) {
                $described[$name][] = [
                    'kind' => $class::kind(),
                    'label' => $class::label(),
                    'fields' => array_map(static fn(Field $field): array => $field->described(), $class::fields()),
                ];
            }
        }

        return $described;
    }

    private function read(Fields $fields, string $of): ?Kind
    {
        $byWord = [];
        foreach ($this->kinds[$of] ?? [] as $class) {
            $byWord[$class::kind()] = $class;
        }
        $faults = $fields->faults();
        $word = $fields->word('kind', array_keys($byWord));
        if ($fields->faults() !== $faults) {
            $fields->leave();

            return null;
        }
        $class = $byWord[$word];
        $values = [];
        foreach ($class::fields() as $field) {
            $values[self::camel($field->name)] = $field->read($fields, $this);
        }

        return $fields->faults() === $faults ? new $class(...$values) : null;
    }

    private function inner(): self
    {
        return new self($this->kinds, $this->depth + 1);
    }

    /** "sub-key" and "fadeIn" are names of fields; constructors have them as $subKey and $fadeIn. */
    private static function camel(string $name): string
    {
        return lcfirst(str_replace(' ', '', ucwords(str_replace('-', ' ', $name))));
    }

    /**
     * @param class-string<Kind> $class
     *
     * @return array<string, mixed>
     */
    private static function schemaOf(string $class): array
    {
        $properties = ['kind' => ['const' => $class::kind()]];
        $needed = ['kind'];
        foreach ($class::fields() as $field) {
            $properties[$field->name] = $field->schema();
            if ($field->isNeeded) {
                $needed[] = $field->name;
            }
        }

        return ['title' => $class::label(), 'type' => 'object', 'required' => $needed, 'additionalProperties' => false, 'properties' => $properties];
    }
}
