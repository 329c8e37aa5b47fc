<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Timeline;

/** A way in which a time code leaves. */
interface TimecodeForm
{
    /** When send() must be called next. */
    public function dueAt(LiveTimecode $live, int $now): int;

    /** What is to leave by now leaves. */
    public function send(LiveTimecode $live, int $now): void;
}
