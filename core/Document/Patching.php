<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Document;

/** Changes a document as JSON Patch says it (RFC 6902): all of it, or nothing. */
final class Patching
{
    /** What each operation needs beside "path". */
    private const NEEDS = [
        'add' => ['value'],
        'remove' => [],
        'replace' => ['value'],
        'move' => ['from'],
        'copy' => ['from'],
        'test' => ['value'],
    ];

    /**
     * @param array<mixed> $operations {"op": "replace", "path": "/name", "value": "…"}, one after the other
     *
     * @throws \UnexpectedValueException when one of them cannot be done, with its number
     */
    public static function apply(mixed $document, array $operations): mixed
    {
        if (! array_is_list($operations)) {
            throw new \UnexpectedValueException(
                'A patch is a list of operations: [{"op": "replace", "path": "/name", "value": "…"}].',
            );
        }
        foreach ($operations as $i => $operation) {
            try {
                $document = self::one($document, \is_array($operation) ? $operation : []);
            } catch (\UnexpectedValueException $refused) {
                throw new \UnexpectedValueException('Operation '.($i + 1).": {$refused->getMessage()}", 0, $refused);
            }
        }

        return $document;
    }

    /** @param array<mixed> $operation */
    private static function one(mixed $document, array $operation): mixed
    {
        $name = $operation['op'] ?? null;
        $needs = \is_string($name) ? self::NEEDS[$name] ?? null : null;
        if (! \is_string($name) || $needs === null) {
            throw new \UnexpectedValueException('"op" must be one of: '.implode(', ', array_keys(self::NEEDS)).'.');
        }
        $path = self::pointer($operation, 'path');
        foreach ($needs as $need) {
            if (! \array_key_exists($need, $operation)) {
                throw new \UnexpectedValueException("\"{$name}\" needs \"{$need}\".");
            }
        }
        $value = $operation['value'] ?? null;

        return match ($name) {
            'add' => $path->added($document, $value),
            'remove' => $path->removed($document),
            'replace' => $path->replaced($document, $value),
            'copy' => $path->added($document, self::pointer($operation, 'from')->of($document)),
            'move' => self::moved($document, self::pointer($operation, 'from'), $path),
            default => self::same($path->of($document), $value)
                ? $document
                : throw new \UnexpectedValueException("What is at {$path->text()} is not what was tested for."),
        };
    }

    private static function moved(mixed $document, Pointer $from, Pointer $path): mixed
    {
        if ($from->names !== $path->names && \array_slice($path->names, 0, \count($from->names)) === $from->names) {
            throw new \UnexpectedValueException('What is moved cannot be moved into itself.');
        }

        return $path->added($from->removed($document), $from->of($document));
    }

    /** The order of the fields of an object does not matter, and 1 is 1.0. */
    private static function same(mixed $one, mixed $other): bool
    {
        if (! \is_array($one) || ! \is_array($other)) {
            return (\is_int($one) || \is_float($one)) && (\is_int($other) || \is_float($other))
                ? (float) $one === (float) $other
                : $one === $other;
        }
        if (\count($one) !== \count($other) || array_is_list($one) !== array_is_list($other)) {
            return false;
        }
        foreach ($one as $key => $value) {
            if (! \array_key_exists($key, $other) || ! self::same($value, $other[$key])) {
                return false;
            }
        }

        return true;
    }

    /** @param array<mixed> $operation */
    private static function pointer(array $operation, string $name): Pointer
    {
        $text = $operation[$name] ?? null;

        return Pointer::parse(
            \is_string($text) ? $text : throw new \UnexpectedValueException("\"{$name}\" must be a JSON Pointer."),
        );
    }
}
