<?php

declare(strict_types=1);

/*
 * What four small packages would bring that cannot be had everywhere the
 * project is set up: the composer.json "replace" section names them.
 *
 * This folder can go, with that section, once all four can be installed:
 * array_first, array_last, get_error_handler and get_exception_handler come with
 * PHP 8.5, ClockInterface with symfony/clock.
 */

namespace Symfony\Component\Clock {
    if (! interface_exists(ClockInterface::class)) {
        interface ClockInterface extends \Psr\Clock\ClockInterface
        {
            public function sleep(float|int $seconds): void;

            public function withTimeZone(\DateTimeZone|string $timezone): static;
        }
    }
}

namespace {
    if (! function_exists('array_first')) {
        /** @param array<mixed> $array */
        function array_first(array $array): mixed
        {
            return $array === [] ? null : $array[array_key_first($array)];
        }
    }

    if (! function_exists('array_last')) {
        /** @param array<mixed> $array */
        function array_last(array $array): mixed
        {
            return $array === [] ? null : $array[array_key_last($array)];
        }
    }

    if (! function_exists('get_error_handler')) {
        function get_error_handler(): ?callable
        {
            $handler = set_error_handler(null);
            restore_error_handler();

            return $handler;
        }
    }

    if (! function_exists('get_exception_handler')) {
        function get_exception_handler(): ?callable
        {
            $handler = set_exception_handler(null);
            restore_exception_handler();

            return $handler;
        }
    }
}
