<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Document\Kind;

/** When the next cue goes by itself. */
interface Follow extends Kind
{
    /**
     * @param int $longest nanoseconds that the cue takes until it is complete
     *
     * @return int|null nanoseconds after its go; null where no time says when
     */
    public function after(int $longest): ?int;

    public function words(): string;
}
