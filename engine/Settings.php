<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** With what the engine runs. */
final readonly class Settings
{
    /**
     * @param string $directory for its state, its identity and its control socket; '' keeps nothing
     * @param string $live address of the live link, "127.0.0.1:8081"; '' for none
     * @param string $secret that tokens are signed with
     * @param list<string> $origins of pages on other hosts
     * @param float|null $seconds to run; null without end
     * @param int $alarmSeconds after so long in trouble a port is an alarm; 0 for never
     * @param list<string> $deviceFolders whose FIFOs and links to devices a show may name
     * @param list<string> $forbidden networks that nobody is called in
     * @param string $runtime a folder in the machine's memory; '' for none
     * @param list<string> $alarmCommand is started with alarms on its standard input; empty for none
     */
    public function __construct(
        public string $directory = '',
        public string $live = '',
        public string $secret = '',
        public array $origins = [],
        public ?float $seconds = null,
        public string $version = '',
        public int $alarmSeconds = 0,
        public array $alarmCommand = [],
        public array $deviceFolders = [],
        public array $forbidden = [],
        public string $runtime = '',
    ) {
    }
}
