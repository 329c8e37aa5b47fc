<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Illuminate\Http\JsonResponse;
use NimbleJunction\Core\Document\Kinds;
use NimbleJunction\Core\Document\Schema;
use NimbleJunction\Core\Document\Table;
use NimbleJunction\Core\Furnishing\Templates;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Starting\Starts;

/**
 * What forms need to know of the parts of a show, and of every kind of trigger, condition, step, action and message:
 * as their classes describe them.
 */
final readonly class KindController
{
    public function __invoke(): JsonResponse
    {
        $lists = array_map(static fn(array $list): array => [
            ...Schema::described($list[0]),
            'columns' => (new Table($list[0]))->described(),
        ], Show::LISTS);
        $besides = new Kinds(['starting' => Starts::ALL, 'template' => Templates::ALL]);

        return response()->json([
            'lists' => $lists,
            'kinds' => ShowReader::kinds()->described() + $besides->described(),
        ]);
    }
}
