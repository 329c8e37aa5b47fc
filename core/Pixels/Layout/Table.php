<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels\Layout;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field\TextList;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Pixels\Layout;

/** Any shape: where each pixel is, in the order of the line. */
final readonly class Table implements Layout, Checked
{
    private const MOST = 4096;
    private const PLACE = '/^\s*(-?\d{1,4}(?:\.\d{1,3})?)\s*\/\s*(-?\d{1,4}(?:\.\d{1,3})?)\s*$/D';

    /** @param list<string> $pixels "3/1": across and down from the top left */
    public function __construct(public array $pixels)
    {
    }

    public static function kind(): string
    {
        return 'table';
    }

    public static function label(): string
    {
        return 'Table of places';
    }

    public static function fields(): array
    {
        return [
            (new TextList('pixels', 'Place of each pixel, in the order of the line', self::MOST, 20))
                ->meaning('Across and down from the top left, like 3/1.'),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->pixels === []) {
            $fields->fault('pixels', 'there are none', 'Give the place of each pixel, like 3/1.');
        }
        foreach ($this->pixels as $i => $pixel) {
            if (preg_match(self::PLACE, $pixel) !== 1) {
                $fields->fault(
                    "pixels/{$i}",
                    "it is \"{$pixel}\"",
                    'Give across and down from the top left, like 3/1 or 0.5/-2.',
                );
            }
        }
    }

    public function count(): int
    {
        return \count($this->pixels);
    }

    public function places(): array
    {
        return array_map(static function (string $pixel): array {
            preg_match(self::PLACE, $pixel, $found);

            return [(float) ($found[1] ?? 0), (float) ($found[2] ?? 0)];
        }, $this->pixels);
    }
}
