<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** All kinds of parts, by the name of what they are kinds of; the one place where a new one is named. */
final readonly class Kinds
{
    public const MOST = 100;

    /** @param array<string, list<class-string<Kind>>> $kinds by name */
    public function __construct(public array $kinds = [])
    {
    }

    /**
     * A list of parts, each with its kind.
     *
     * @return list<Kind>
     */
    public function readList(Fields $fields, string $name, string $of, Reading $reading): array
    {
        if ($reading->isTooDeep()) {
            $fields->fault($name, 'it is nested too deeply', 'Nest at most 8 deep.');

            return [];
        }
        $parts = [];
        foreach ($fields->objects($name, self::MOST) as $one) {
            $part = $this->read($one, $of, $reading->inner());
            if ($part !== null) {
                $parts[] = $part;
            }
            $one->close();
        }

        return $parts;
    }

    public function readOne(Fields $fields, string $name, string $of, Reading $reading): ?Kind
    {
        $one = $fields->object($name);
        $part = $one === null ? null : $this->read($one, $of, $reading->inner($name));
        $one?->close();

        return $part;
    }

    /** @return array<string, list<array<string, mixed>>> what forms need, by name */
    public function described(): array
    {
        return array_map(static fn(array $classes): array => array_map(Schema::described(...), $classes), $this->kinds);
    }

    private function read(Fields $fields, string $of, Reading $reading): ?Kind
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
        $values = $reading->values($fields, $class);
        if ($fields->faults() !== $faults) {
            return null;
        }
        $part = new $class(...$values);
        if ($part instanceof Checked) {
            $part->check($fields);
        }

        return $fields->faults() === $faults ? $part : null;
    }
}
