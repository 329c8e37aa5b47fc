<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Install;

use PHPUnit\Framework\TestCase;

/** Tests of an installation, on a machine of their own (tests/Support/machine): anywhere else they are left out. */
abstract class InstallationTestCase extends TestCase
{
    protected static InstalledMachine $machine;

    public static function setUpBeforeClass(): void
    {
        self::$machine = new InstalledMachine();
    }

    public static function tearDownAfterClass(): void
    {
        if (self::isThere()) {
            self::$machine->services->stopAll();
        }
    }

    protected function setUp(): void
    {
        if (! self::isThere()) {
            self::markTestSkipped('It needs a machine of its own: tests/Support/machine vendor/bin/phpunit --testsuite installation');
        }
    }

    protected static function isThere(): bool
    {
        return getenv('JUNCTION_MACHINE') === 'yes';
    }
}
