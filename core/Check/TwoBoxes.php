<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

use NimbleJunction\Core\Check\Question\AreAnyRefused;
use NimbleJunction\Core\Check\Question\DoOursComeBack;
use NimbleJunction\Core\Check\Question\DoTheyHear;
use NimbleJunction\Core\Check\Question\DoWeSend;
use NimbleJunction\Core\Check\Question\IsAnythingHeard;
use NimbleJunction\Core\Check\Question\IsItOn;
use NimbleJunction\Core\Check\Question\IsItOpen;
use NimbleJunction\Core\Check\Question\IsItSteady;
use NimbleJunction\Core\Check\Question\MayItSpeak;
use NimbleJunction\Core\Check\Question\OurAddress;
use NimbleJunction\Core\Check\Question\SameNetwork;
use NimbleJunction\Core\Show\PortEntry;

/** "Check connection": looked at step by step, in the order in which it usually turns out to be wrong. */
final class TwoBoxes
{
    public const QUESTIONS = [
        IsItOn::class,
        OurAddress::class,
        SameNetwork::class,
        IsItOpen::class,
        MayItSpeak::class,
        IsAnythingHeard::class,
        IsItSteady::class,
        AreAnyRefused::class,
        DoOursComeBack::class,
        DoWeSend::class,
        DoTheyHear::class,
    ];

    /**
     * @param bool $isOn whether it is on now: it may have been switched while the show runs
     * @param string $other IPv4 address of the other end; '' if it is not known
     *
     * @return list<Finding>
     */
    public static function check(PortEntry $port, bool $isOn, Observed $seen, Network $network, string $other, int $now): array
    {
        $scene = new Scene($port->switched($isOn), $port->enabled, $seen, $network, $other, $now);
        $findings = [];
        foreach (self::QUESTIONS as $question) {
            array_push($findings, ...(new $question())->ask($scene));
        }

        return $findings;
    }
}
