<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Back;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Surface\Control;

/** What a part of a panel is: one class a kind, which says how it moves a control, and how it is told what that became. */
interface Handle extends Kind
{
    /** Whether it is told anything: it has a motor, or a lamp. */
    public function isTold(): bool;

    /** @return Action|null null where it cannot move what is of this kind */
    public function action(Reference $control, PointKind $kind, Control $of): ?Action;

    /** @return list<Condition> */
    public function conditions(PointKind $kind, Control $of): array;

    /** @return list<Step> */
    public function steps(Reference $control, PointKind $kind, Control $of): array;

    /** @return Back|null null where it is told nothing */
    public function back(Reference $control, PointKind $kind, Control $of): ?Back;
}
