<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels;

use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Role;

/** In which order a pixel takes the levels of its colours. */
enum ColourOrder: string
{
    case Rgb = 'rgb';
    case Rbg = 'rbg';
    case Grb = 'grb';
    case Gbr = 'gbr';
    case Brg = 'brg';
    case Bgr = 'bgr';
    case Rgbw = 'rgbw';
    case Grbw = 'grbw';
    case Wrgb = 'wrgb';
    case Rgba = 'rgba';
    case White = 'w';

    public const TITLES = [
        'rgb' => 'RGB',
        'rbg' => 'RBG',
        'grb' => 'GRB',
        'gbr' => 'GBR',
        'brg' => 'BRG',
        'bgr' => 'BGR',
        'rgbw' => 'RGBW',
        'grbw' => 'GRBW',
        'wrgb' => 'WRGB',
        'rgba' => 'RGBA',
        'w' => 'White alone',
    ];

    private const ROLES = [
        'r' => Role::Red,
        'g' => Role::Green,
        'b' => Role::Blue,
        'w' => Role::White,
        'a' => Role::Amber,
    ];

    /** Slots of a pixel. */
    public function width(): int
    {
        return \strlen($this->value);
    }

    /** @return list<Parameter> of a pixel, in the order of its slots */
    public function parameters(): array
    {
        /** @var array<string, list<Parameter>> $known */
        static $known = [];

        return $known[$this->value] ??= array_map(
            static fn(string $letter): Parameter => new Parameter(self::ROLES[$letter]->value, role: self::ROLES[$letter]),
            str_split($this->value),
        );
    }
}
