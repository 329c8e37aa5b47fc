<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** A part being read, with those around it: what a field may be can depend on what another one says. */
final class Reading
{
    private const DEEPEST = 8;

    /** @var array<class-string<Part>, list<Field>> said once a class */
    private static array $fields = [];

    /** @var array<string, mixed> what has been read so far, by the field's name or path ("link/kind") */
    private array $read = [];

    private function __construct(
        public readonly Kinds $kinds,
        private readonly ?self $around,
        private readonly string $name,
        private readonly int $depth,
    ) {
    }

    public static function with(Kinds $kinds): self
    {
        return new self($kinds, null, '', 0);
    }

    /**
     * @param string $name of the field that holds the inner part; '' for one of a list, which nobody can name
     */
    public function inner(string $name = ''): self
    {
        return new self($this->kinds, $this, $name, $this->depth + 1);
    }

    public function isTooDeep(): bool
    {
        return $this->depth >= self::DEEPEST;
    }

    public function note(string $name, mixed $value): void
    {
        $this->read[$name] = $value;
        if ($this->name !== '') {
            $this->around?->note("{$this->name}/{$name}", $value);
        }
    }

    /** What a field of this part, or else of one around it, says; null when none of them has it. */
    public function find(string $path): mixed
    {
        return $this->read[$path] ?? $this->around?->find($path);
    }

    /** The same where it is a word; '' where it is none. */
    public function word(string $path): string
    {
        $is = $this->find($path);
        $is = $is instanceof \BackedEnum ? $is->value : $is;

        return \is_string($is) ? $is : '';
    }

    /**
     * @template T of Part
     *
     * @param class-string<T> $class
     *
     * @return T with whatever stands in for what is wrong
     */
    public function part(Fields $fields, string $class): Part
    {
        $part = new $class(...$this->values($fields, $class));
        if ($part instanceof Checked) {
            $part->check($fields);
        }

        return $part;
    }

    /**
     * @param class-string<Part> $class
     *
     * @return array<string, mixed> what its constructor takes
     */
    public function values(Fields $fields, string $class): array
    {
        $values = [];
        foreach (self::fieldsOf($class) as $field) {
            if ($field->applies($this)) {
                $value = $field->read($fields, $this);
                $this->note($field->name, $value);
                $values[self::camel($field->name)] = $value;
            }
        }

        return $values;
    }

    /**
     * A part is left out: what its fields are then is known all the same.
     *
     * @param class-string<Part> $class
     */
    public function noteDefaults(string $class): void
    {
        foreach (self::fieldsOf($class) as $field) {
            if ($field->applies($this)) {
                $this->note($field->name, $field->usual($this));
            }
        }
    }

    /**
     * @param class-string<Part> $class
     *
     * @return list<Field>
     */
    public static function fieldsOf(string $class): array
    {
        return self::$fields[$class] ??= $class::fields();
    }

    /** "sub-key" and "fadeIn" are names of fields; constructors have them as $subKey and $fadeIn. */
    private static function camel(string $name): string
    {
        return str_contains($name, '-') ? lcfirst(str_replace(' ', '', ucwords(str_replace('-', ' ', $name)))) : $name;
    }
}
