<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Check\Reason;
use NimbleJunction\Core\Check\WhyDark;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\ReasonLine;
use NimbleJunction\Engine\Said\Reasons;
use NimbleJunction\Engine\Said\Said;

/** Why a fixture is dark: each reason with who is behind it. */
final readonly class WhyIsItDark implements Order, InShowMode
{
    public function __construct(private string $fixture)
    {
    }

    public static function kind(): string
    {
        return 'why-dark';
    }

    public static function label(): string
    {
        return 'Why is it dark?';
    }

    public static function fields(): array
    {
        return [new Id('fixture', 'Fixture', 'fixture', true)];
    }

    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): string
    {
        return Reasons::class;
    }

    public function obey(Reach $reach): Said
    {
        $junction = $reach->engine->junction;
        $fixture = $junction->plan()->patch->fixtures[$this->fixture]
            ?? throw new CommandRefused("There is no fixture \"{$this->fixture}\" in the show.");
        $why = new WhyDark(
            $reach->engine->show(),
            $junction->plan(),
            $fixture,
            $reach->universe($fixture->universeId),
            $junction->universes()[Intensities::beside($fixture->universeId)] ?? null,
            static fn(string $port): string => $junction->activity($port)->fault,
        );

        return new Reasons(array_map(static fn(Reason $one): ReasonLine => new ReasonLine(
            $one->keepsDark,
            $one->words,
            $one->remedy,
            $one->list,
            $one->id,
            $one->release,
        ), $why->reasons()));
    }
}
