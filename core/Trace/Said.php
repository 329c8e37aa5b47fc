<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

use NimbleJunction\Core\Signal\Message;

/** A fact that is a sentence with gaps, and what belongs into them: "{port} heard {bytes} bytes from {from}". */
final readonly class Said implements Fact
{
    /**
     * @param array<string, int|string|Message> $values by the name of their gap; ids for {port} and {universe}, a reference
     * for {point}, "universe first last" for {run}
     */
    public function __construct(private string $sentence, private array $values = [])
    {
    }

    public function words(Names $names): string
    {
        $words = [];
        foreach ($this->values as $gap => $value) {
            $words["{{$gap}}"] = match (true) {
                $value instanceof Message => $names->message($value),
                $gap === 'port' => $names->port((string) $value),
                $gap === 'universe' => $names->universe((string) $value),
                $gap === 'run' => $names->run(...self::run((string) $value)),
                $gap === 'point' => $names->point((string) $value),
                default => (string) $value,
            };
        }

        return strtr($this->sentence, $words);
    }

    /** @return array{string, int, int} universe, first and last slot from 1 */
    private static function run(string $text): array
    {
        [$universe, $first, $last] = explode(' ', $text) + ['', '1', '1'];

        return [$universe, (int) $first, (int) $last];
    }
}
