<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/**
 * A place in a document, as JSON Pointer says it (RFC 6901): "/ports/0/name". In a list of parts an id is as good as a
 * number: "/ports/house-desk/name".
 */
final readonly class Pointer
{
    /** @param list<string> $names unescaped */
    private function __construct(public array $names)
    {
    }

    /** @throws \UnexpectedValueException when it is none */
    public static function parse(string $text): self
    {
        if ($text === '') {
            return new self([]);
        }
        if ($text[0] !== '/' || preg_match('/~(?![01])/', $text) === 1) {
            throw new \UnexpectedValueException(
                "\"{$text}\" is no JSON Pointer. Begin with \"/\", like /ports/0/name; \"~\" is written ~0, and \"/\" within a name ~1.",
            );
        }

        return new self(array_map(
            static fn(string $name): string => strtr($name, ['~1' => '/', '~0' => '~']),
            explode('/', substr($text, 1)),
        ));
    }

    public function text(): string
    {
        return implode(
            '',
            array_map(static fn(string $name): string => '/'.strtr($name, ['~' => '~0', '/' => '~1']), $this->names),
        );
    }

    /** @throws \UnexpectedValueException when nothing is there */
    public function of(mixed $document): mixed
    {
        foreach ($this->names as $depth => $name) {
            $document = \is_array($document) ? $document[$this->key($document, $name, $depth)] : throw $this->nothingAt($depth);
        }

        return $document;
    }

    /**
     * The document with a value at this place: put before what is there in a list ("-" is the end), in the place of what is
     * there in an object.
     *
     * @throws \UnexpectedValueException when what is around it is not there
     */
    public function added(mixed $document, mixed $value): mixed
    {
        return $this->at($document, 0, function (array $around, string $name) use ($value): array {
            if (! self::isList($around)) {
                $around[$name] = $value;

                return $around;
            }
            $at = $name === '-'
                ? \count($around)
                : (self::isIndex($name) && (int) $name === \count($around)
                    ? (int) $name
                    : $this->key($around, $name, \count($this->names) - 1));
            array_splice($around, (int) $at, 0, [$value]);

            return $around;
        }, $value);
    }

    /** @throws \UnexpectedValueException when nothing is there */
    public function removed(mixed $document): mixed
    {
        return $this->at($document, 0, function (array $around, string $name): array {
            $isList = self::isList($around) && $around !== [];
            unset($around[$this->key($around, $name, \count($this->names) - 1)]);

            return $isList ? array_values($around) : $around;
        }, null);
    }

    /** @throws \UnexpectedValueException when nothing is there */
    public function replaced(mixed $document, mixed $value): mixed
    {
        return $this->at($document, 0, function (array $around, string $name) use ($value): array {
            $around[$this->key($around, $name, \count($this->names) - 1)] = $value;

            return $around;
        }, $value);
    }

    /**
     * @param \Closure(array<mixed>, string): array<mixed> $change of what is around, with the last name
     * @param mixed $whole what it becomes where the pointer is the whole document
     */
    private function at(mixed $document, int $depth, \Closure $change, mixed $whole): mixed
    {
        if ($this->names === []) {
            return $whole;
        }
        if (! \is_array($document)) {
            throw $this->nothingAt($depth);
        }
        if ($depth === \count($this->names) - 1) {
            return $change($document, $this->names[$depth]);
        }
        $key = $this->key($document, $this->names[$depth], $depth);
        $document[$key] = $this->at($document[$key], $depth + 1, $change, $whole);

        return $document;
    }

    /**
     * @param array<mixed> $around
     *
     * @throws \UnexpectedValueException
     */
    private function key(array $around, string $name, int $depth): int|string
    {
        if (! self::isList($around) || self::isIndex($name)) {
            return \array_key_exists($name, $around) ? $name : $this->byId($around, $name) ?? throw $this->nothingAt($depth);
        }

        return $this->byId($around, $name) ?? throw $this->nothingAt($depth);
    }

    /** @param array<mixed> $around */
    private function byId(array $around, string $name): ?int
    {
        $at = self::isList($around) ? array_search($name, array_column($around, 'id'), true) : false;

        return \is_int($at) && \count(array_column($around, 'id')) === \count($around) ? $at : null;
    }

    /** @param array<mixed> $around PHP has one kind of array: an empty one may be either */
    private static function isList(array $around): bool
    {
        return array_is_list($around) && $around !== [];
    }

    private static function isIndex(string $name): bool
    {
        return preg_match('/^(0|[1-9]\d*)$/D', $name) === 1;
    }

    private function nothingAt(int $depth): \UnexpectedValueException
    {
        $path = (new self(\array_slice($this->names, 0, $depth + 1)))->text();

        return new \UnexpectedValueException("There is nothing at {$path}.");
    }
}
