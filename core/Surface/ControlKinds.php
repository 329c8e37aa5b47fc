<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Surface\Kind\ButtonControl;
use NimbleJunction\Core\Surface\Kind\ClockControl;
use NimbleJunction\Core\Surface\Kind\ColourControl;
use NimbleJunction\Core\Surface\Kind\EndlessControl;
use NimbleJunction\Core\Surface\Kind\FaderControl;
use NimbleJunction\Core\Surface\Kind\KnobControl;
use NimbleJunction\Core\Surface\Kind\LabelControl;
use NimbleJunction\Core\Surface\Kind\MeterControl;
use NimbleJunction\Core\Surface\Kind\NotesControl;
use NimbleJunction\Core\Surface\Kind\PadControl;
use NimbleJunction\Core\Surface\Kind\SelectorControl;
use NimbleJunction\Core\Surface\Kind\SlotsControl;
use NimbleJunction\Core\Surface\Kind\StepperControl;
use NimbleJunction\Core\Surface\Kind\TempoControl;
use NimbleJunction\Core\Surface\Kind\TextControl;

/** All kinds of controls: a new one is a class, named here. */
final class ControlKinds
{
    public const ALL = [
        ButtonControl::class,
        FaderControl::class,
        KnobControl::class,
        EndlessControl::class,
        PadControl::class,
        StepperControl::class,
        SelectorControl::class,
        TextControl::class,
        TempoControl::class,
        ColourControl::class,
        MeterControl::class,
        SlotsControl::class,
        LabelControl::class,
        ClockControl::class,
        NotesControl::class,
    ];
}
