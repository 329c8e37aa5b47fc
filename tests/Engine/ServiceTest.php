<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The unit that ships: systemd reads it as it is meant, and what stands in it is true of this machine's systemd. */
final class ServiceTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6));
        mkdir("{$this->folder}/storage", recursive: true);
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public function testSystemdFindsNothingWrongWithTheUnits(): void
    {
        foreach (['engine.service', 'backup.service', 'backup.timer'] as $name) {
            self::assertSame('', $this->verified((string) file_get_contents(Background::root()."/deploy/nimble-junction-{$name}"), $name));
        }
    }

    public function testItWouldFindWhatStandsInTheWrongSection(): void
    {
        $wrong = str_replace(
            ["StartLimitIntervalSec=0\n", "Restart=always\n"],
            ['', "Restart=always\nStartLimitIntervalSec=0\n"],
            self::unit(),
        );
        self::assertStringContainsString('StartLimitIntervalSec', $this->verified($wrong));
        self::assertStringContainsString('ProtectSystems', $this->verified(str_replace('ProtectSystem=', 'ProtectSystems=', self::unit())));
    }

    public function testItWritesIntoItsStorageAlone(): void
    {
        $unit = self::unit();
        foreach ([
            'ProtectSystem=strict',
            'NoNewPrivileges=yes',
            'ReadWritePaths=/srv/nimble-junction/data',
            'Type=notify',
            'WatchdogSec=10',
            'MemoryMax=1G',
            'CapabilityBoundingSet=',
            'SupplementaryGroups=audio dialout',
            'UMask=0077',
            'Restart=always',
        ] as $line) {
            self::assertStringContainsString("\n{$line}\n", $unit);
        }
    }

    private static function unit(): string
    {
        return (string) file_get_contents(Background::root().'/deploy/nimble-junction-engine.service');
    }

    /** @return string what systemd-analyze says of it, with the installation being here */
    private function verified(string $unit, string $name = 'engine.service'): string
    {
        $path = "{$this->folder}/nimble-junction-{$name}";
        file_put_contents(
            $path,
            str_replace(
                ['/srv/nimble-junction/data', '/srv/nimble-junction/current'],
                ["{$this->folder}/storage", Background::root()],
                $unit,
            ),
        );
        $verify = new Process(['systemd-analyze', 'verify', '--man=no', '--generators=no', $path], null, ['HOME' => $this->folder]);
        $verify->run();
        // What it says of other units of this machine is not about ours.
        $lines = array_filter(
            explode("\n", $verify->getOutput().$verify->getErrorOutput()),
            static fn(string $line): bool => str_contains($line, 'nimble-junction'),
        );

        return implode("\n", $lines);
    }
}
