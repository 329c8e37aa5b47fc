<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Wire\Midi\MachineCommand;

/** The commands of MIDI Machine Control as the document has them: lower case, with hyphens. */
final class MmcWords
{
    /** @return list<string> those that stand for themselves */
    public static function commands(): array
    {
        $commands = array_filter(
            MachineCommand::cases(),
            static fn(MachineCommand $one): bool => $one !== MachineCommand::Locate,
        );

        return array_values(array_map(self::word(...), $commands));
    }

    /** @return list<string> those that can be waited for: with a place too */
    public static function heard(): array
    {
        return [...self::commands(), self::word(MachineCommand::Locate)];
    }

    public static function command(string $word): MachineCommand
    {
        foreach (MachineCommand::cases() as $command) {
            if (self::word($command) === $word) {
                return $command;
            }
        }

        return MachineCommand::Stop;
    }

    private static function word(MachineCommand $command): string
    {
        return strtolower(str_replace(' ', '-', $command->spelled()));
    }
}
