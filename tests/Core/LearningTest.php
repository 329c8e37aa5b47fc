<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Scope\Candidate;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Whoever learns sees what was moved a moment before, and how far what moves now moves. */
final class LearningTest extends TestCase
{
    public function testWhatWasMovedAMomentBeforeIsThereToPick(): void
    {
        $rig = new Rig();
        $rig->osc('/old', 1);
        $rig->pass(61);
        $rig->osc('/lamp', 0.25);
        $rig->pass(5);
        $rig->osc('/other', 'text', 7);
        self::assertSame(['/other', '/lamp'], $this->addresses($rig));
    }

    public function testHowFarEachNumberMovedIsSaid(): void
    {
        $rig = new Rig();
        $this->addresses($rig);
        foreach ([0.5, 0.1, 0.9] as $level) {
            $rig->osc('/lamp', $level, 'name', 3);
            $rig->pass(0.1);
        }
        [$lamp] = $rig->junction->probes->learning->candidates('tablet', $rig->nanos());
        self::assertSame(3, $lamp->count);
        self::assertEqualsWithDelta([1 => ['low' => 0.1, 'high' => 0.9], 3 => ['low' => 3.0, 'high' => 3.0]], $lamp->moved, 1e-6);
        self::assertSame('/lamp 0.9 "name" 3', $lamp->last->spelled());
    }

    public function testItBeginsAnewWhenNobodyHasAskedForAWhile(): void
    {
        $rig = new Rig();
        $this->addresses($rig);
        $rig->osc('/lamp', 0.1);
        $rig->pass(2);
        self::assertSame(1, $rig->junction->probes->learning->candidates('tablet', $rig->nanos())[0]->count);
        $rig->osc('/lamp', 0.9);
        $rig->pass(90);
        self::assertSame([], $this->addresses($rig));
    }

    public function testAFloodOfAddressesIsBounded(): void
    {
        $rig = new Rig();
        $this->addresses($rig);
        for ($i = 0; $i < 300; ++$i) {
            $rig->osc("/a{$i}", 1);
            $rig->pass(0.001);
        }
        $addresses = $this->addresses($rig);
        self::assertCount(64, $addresses);
        self::assertSame('/a299', $addresses[0]);
    }

    /** @return list<string> */
    private function addresses(Rig $rig): array
    {
        return array_map(
            static fn(Candidate $one): string => $one->last->address(),
            $rig->junction->probes->learning->candidates('tablet', $rig->nanos()),
        );
    }
}
