<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;

/** Something that a page asks the engine to do; its kind is the word after "do". A new one is a class, named in Orders. */
interface Order extends Kind
{
    /** Whether a viewer may not give it. */
    public static function isForOperators(): bool;

    /** @return class-string<Said>|null what its answer has beside "ok", for the page's types */
    public static function answers(): ?string;

    /** @throws CommandRefused */
    public function obey(Reach $reach): ?Said;
}
