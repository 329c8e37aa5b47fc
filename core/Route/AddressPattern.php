<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Osc\Pattern;

/**
 * An OSC address that stands for many: with the wildcards of OSC 1.0 ("OSC Message Dispatching and Pattern Matching"),
 * and with names in braces, like /cue/{number}/start. What stands in their place goes on by its name, and what a wildcard
 * took by its number: {1} is the first.
 */
final readonly class AddressPattern
{
    private const NAME = '/\{([a-z][a-z0-9-]*)\}/';

    /** Longer addresses are nobody's. */
    private const LONGEST = 400;

    private Pattern $pattern;

    /** @var array<int, string> name by the number of the wildcard, from 0 */
    private array $names;

    /** @throws Malformed a bracket that is not closed */
    public function __construct(string $text)
    {
        $names = [];
        $wildcards = 0;
        preg_match_all('/\{[^}]*\}|\[[^]]*\]|[?*]/', $text, $found);
        foreach ($found[0] as $wildcard) {
            if (preg_match(self::NAME, $wildcard, $name) === 1) {
                $names[$wildcards] = $name[1];
            }
            ++$wildcards;
        }
        $this->names = $names;
        $this->pattern = Pattern::of((string) preg_replace(self::NAME, '*', $text));
    }

    public static function isOne(string $text): bool
    {
        return Pattern::isPattern($text);
    }

    /** @return string the parts before the first that stands for many: "/cue" of "/cue/{number}/start" */
    public static function beginning(string $text): string
    {
        $literal = substr($text, 0, strcspn($text, '?*[{'));

        return substr($literal, 0, (int) strrpos($literal, '/'));
    }

    /** @return array<int|string, string>|null what was taken, by names and numbers from 1; null where it does not fit */
    public function taken(string $address): ?array
    {
        $taken = \strlen($address) > self::LONGEST ? null : $this->pattern->taken($address);
        $fields = [];
        foreach ($taken ?? [] as $i => $text) {
            if ($text === '' && isset($this->names[$i])) {
                return null;
            }
            $fields[$i + 1] = $text;
            $fields[$this->names[$i] ?? $i + 1] = $text;
        }

        return $taken === null ? null : $fields;
    }
}
