<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Health;

use Revolt\EventLoop;

/** In the first seconds, piece by piece: what the compiler makes must compute what it should. */
final class CompilerWatch
{
    /** Between two rounds of the self-check: it must not keep what arrives waiting. */
    private const SECONDS = 0.02;

    private string $distrust = '';

    public function __construct(private readonly Warnings $warnings)
    {
    }

    /** @return string what the compiled code got wrong; '' while nothing */
    public function distrust(): string
    {
        return $this->distrust;
    }

    /**
     * @param string $show that it is checked with as well, as JSON; '' for none
     * @param \Closure(string): void $distrusted called once, with what is wrong, where this process must begin again without it
     */
    public function start(string $show, \Closure $distrusted): void
    {
        if (Compilation::distrust() !== '') {
            $this->warnings->raise(
                'compiler',
                'The engine runs without the compiler, at about half its speed, because compiled code computed wrong things: '
                    .Compilation::distrust().'. Please report it, with the version of PHP: '.\PHP_VERSION.'.',
            );
        }
        if (! Compilation::isOn()) {
            return;
        }
        $check = SelfCheck::load($show);
        EventLoop::unreference(EventLoop::repeat(self::SECONDS, function (string $callback) use ($check, $distrusted): void {
            $wrong = $check->round();
            if ($wrong !== '' || $check->isOver()) {
                EventLoop::cancel($callback);
            }
            if ($wrong !== '' && $check->rounds() === 1) {
                // Nothing is hot yet, so it is not the compiler: beginning again would not help.
                $this->warnings->raise(
                    'check',
                    "The engine's self-check does not come out as it should, before anything is compiled: {$wrong}. "
                        .'Is this a mixture of two versions? Install it anew.',
                );
            } elseif ($wrong !== '') {
                $this->distrust = $wrong;
                $distrusted($wrong);
            }
        }));
    }
}
