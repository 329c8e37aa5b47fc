<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

/** An element of an XML document that was read with suspicion: no entities, no network, bounded in depth and number. */
final class Element
{
    private const MOST = 80_000;
    private const DEEPEST = 64;

    /** @var list<self> */
    public array $children = [];
    public string $text = '';

    /** @param array<string, string> $attributes */
    private function __construct(public readonly string $name, public readonly array $attributes)
    {
    }

    /** @throws NotTaken */
    public static function read(string $xml): self
    {
        if ($xml === '') {
            throw new NotTaken('Its description is no XML: it is empty.', 'Ask the maker for another file.');
        }
        if (preg_match('/<!(?:DOCTYPE|ENTITY)/i', $xml) === 1) {
            throw self::declares();
        }
        $before = libxml_use_internal_errors(true);
        try {
            return self::parsed($xml);
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
    }

    public function get(string $attribute, string $usual = ''): string
    {
        return $this->attributes[$attribute] ?? $usual;
    }

    public function number(string $attribute, float $usual = 0.0): float
    {
        $text = $this->attributes[$attribute] ?? '';

        return is_numeric($text) && is_finite((float) $text) ? (float) $text : $usual;
    }

    /** @return list<self> children of that name, or of a path of names */
    public function all(string ...$path): array
    {
        $found = [$this];
        foreach ($path as $name) {
            $next = [];
            foreach ($found as $one) {
                foreach ($one->children as $child) {
                    if ($child->name === $name) {
                        $next[] = $child;
                    }
                }
            }
            $found = $next;
        }

        return $found;
    }

    public function first(string ...$path): ?self
    {
        return $this->all(...$path)[0] ?? null;
    }

    private static function parsed(string $xml): self
    {
        $reader = \XMLReader::XML($xml, null, \LIBXML_NONET | \LIBXML_COMPACT);
        if (! $reader instanceof \XMLReader) {
            throw new NotTaken('Its description is no XML.', 'Ask the maker for another file.');
        }
        $root = null;
        $open = [];
        $count = 0;
        while (@$reader->read()) {
            if (\in_array($reader->nodeType, [\XMLReader::DOC_TYPE, \XMLReader::ENTITY, \XMLReader::ENTITY_REF], true)) {
                throw self::declares();
            }
            if (++$count > self::MOST || $reader->depth > self::DEEPEST) {
                throw new NotTaken(
                    $count > self::MOST
                        ? 'Its description has more than '.self::MOST.' nodes.'
                        : 'Its description is nested deeper than '.self::DEEPEST.'.',
                    'So large a one is not read.',
                );
            }
            if ($reader->nodeType === \XMLReader::ELEMENT) {
                $element = new self($reader->localName, self::attributesOf($reader));
                $isEmpty = $reader->isEmptyElement;
                \array_splice($open, $reader->depth);
                $around = $open === [] ? null : $open[\count($open) - 1];
                if ($around === null) {
                    $root ??= $element;
                } else {
                    $around->children[] = $element;
                }
                if (! $isEmpty) {
                    $open[] = $element;
                }
            } elseif ($reader->nodeType === \XMLReader::TEXT && isset($open[$reader->depth - 1])) {
                $open[$reader->depth - 1]->text .= $reader->value;
            }
        }
        $error = libxml_get_last_error();
        if ($root === null || ($error !== false && $error->level >= \LIBXML_ERR_ERROR)) {
            throw new NotTaken(
                'Its description is no sound XML'.($error === false ? '' : ': '.trim($error->message).", line {$error->line}").'.',
                'Ask the maker for another file.',
            );
        }

        return $root;
    }

    private static function declares(): NotTaken
    {
        return new NotTaken('Its description declares entities of its own.', 'The standard has none: such a file is not read.');
    }

    /** @return array<string, string> */
    private static function attributesOf(\XMLReader $reader): array
    {
        $attributes = [];
        while ($reader->moveToNextAttribute()) {
            $attributes[$reader->localName] = $reader->value;
        }
        $reader->moveToElement();

        return $attributes;
    }
}
