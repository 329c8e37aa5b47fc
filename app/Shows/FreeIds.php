<?php

declare(strict_types=1);

namespace App\Shows;

use Illuminate\Support\Str;

/** Ids for new parts of a list, made of their names. */
final class FreeIds
{
    private const LONGEST = 50;

    /** @var array<string, true> */
    private array $taken;

    /** @param list<string> $taken */
    public function __construct(private readonly string $list, array $taken)
    {
        $this->taken = array_fill_keys($taken, true);
    }

    public function forName(string $name): string
    {
        $base = Str::limit(Str::slug($name) ?: Str::slug(PartSummary::singular($this->list)), self::LONGEST, '');
        $id = $base;
        for ($i = 2; isset($this->taken[$id]); ++$i) {
            $id = "{$base}-{$i}";
        }
        $this->taken[$id] = true;

        return $id;
    }
}
