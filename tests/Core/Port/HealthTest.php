<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Port;

use NimbleJunction\Core\Port\State;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** How a port is said to be, second by second, with senders of every habit. */
final class HealthTest extends TestCase
{
    private Rig $rig;
    private int $sequence = 0;
    private ?float $start = null;

    /** @var list<string> "12 silent": the second at which each word appeared */
    private array $words = [];

    protected function setUp(): void
    {
        $this->rig = new Rig();
    }

    public function testARegularSenderIsAliveAndOneThatIsPulledIsSilentAfterASecondAndLostAfterItsTimeOut(): void
    {
        $this->sends(20.0, 0.025);
        $this->silence(12.0);
        $this->sends(5.0, 0.025);
        self::assertSame(['0 alive', '21 silent', '29 lost', '32 alive'], $this->words);
        [$outage] = $this->outages();
        self::assertEqualsWithDelta(12.0, ($outage->until - $outage->from) / 1e9, 0.05, 'it is not forgotten');
        self::assertStringContainsString('House desk into', $outage->what);
        self::assertStringContainsString('the last levels stay', $outage->meanwhile);
    }

    public function testALongOutageIsNotForgottenEither(): void
    {
        $this->sends(20.0, 0.025);
        $this->rig->pass(1200.0);
        self::assertSame(State::Lost, $this->state());
        self::assertNull($this->outages()[0]->until ?? null, 'it lasts');
        $this->sends(5.0, 0.025);
        self::assertSame(State::Alive, $this->state());
        self::assertEqualsWithDelta(1200.0, ($this->outages()[0]->until - $this->outages()[0]->from) / 1e9, 0.05);
    }

    public function testASenderThatThinsToOneFrameASecondIsAliveAllTheTime(): void
    {
        for ($i = 0; $i < 6; ++$i) {
            $this->sends(5.0, 0.025);
            $this->sends(12.0, 1.0);
        }
        self::assertSame(['0 alive'], $this->words);
        $this->silence(4.0);
        self::assertSame(['0 alive', '104 silent'], $this->words, 'three of its own intervals after the last one at 101');
    }

    public function testOneFrameInTwentyThatIsLostIsSaidWithItsFigure(): void
    {
        mt_srand(5);
        $this->sends(10.0, 0.025);
        $this->sends(30.0, 0.025, loss: 0.05);
        self::assertSame(State::Unsteady, $this->state());
        self::assertMatchesRegularExpression(
            '/^\S.*: losing [3-7]\.\d % \(last 10 s\)$/',
            $this->rig->junction->activity('house')->healthWords($this->rig->nanos()),
        );
        $this->sends(30.0, 0.025);
        self::assertSame(State::Alive, $this->state());
        self::assertSame(['alive', 'unsteady', 'alive'], array_map(static fn(string $one): string => explode(' ', $one)[1], $this->words));
        self::assertLessThanOrEqual(12, (int) $this->words[1], 'within two seconds of the first losses');
    }

    public function testAJitteringSenderIsUnevenAndOneThatIsALittleUnevenIsNot(): void
    {
        mt_srand(6);
        $this->sends(20.0, 0.025, jitter: 0.004);
        self::assertSame(['0 alive'], $this->words);
        $this->sends(20.0, 0.025, jitter: 0.024);
        self::assertSame(State::Unsteady, $this->state());
        self::assertStringContainsString('uneven: ±', $this->rig->junction->activity('house')->healthWords($this->rig->nanos()));
    }

    public function testASlowButRegularSenderIsAliveAndItsRhythmIsSaid(): void
    {
        $this->sends(60.0, 4.0);
        self::assertNotContains('lost', array_map(static fn(string $one): string => explode(' ', $one)[1], $this->words));
        self::assertSame(State::Alive, $this->state());
        self::assertSame('', $this->rig->junction->activity('house')->healthWords($this->rig->nanos()), 'four seconds are less than ten');
    }

    public function testOneThatIsSlowerThanItsTimeOutIsToldSoWithATimeOutThatFits(): void
    {
        $this->sends(120.0, 12.0);
        $activity = $this->rig->junction->activity('house');
        self::assertStringContainsString(
            'sends every 12.0 s and counts as lost after 10.0 s: it drops out each time. Raise the time-out to 36 s.',
            $activity->streams->slowness(),
        );
        self::assertSame(36.0, $activity->streams->fittingSeconds());
    }

    public function testATimeOutOfItsOwnIsKept(): void
    {
        $this->timeOut(3.0);
        $this->sends(10.0, 0.025);
        $this->silence(5.0);
        self::assertSame(['0 alive', '11 silent', '12 lost'], $this->words);
        $this->timeOut(20.0);
        $this->sends(10.0, 0.025);
        $this->silence(15.0);
        self::assertSame('silent', explode(' ', $this->words[array_key_last($this->words)])[1], 'twenty seconds are not over');
    }

    private function timeOut(float $seconds): void
    {
        $ports = Rig::document()['ports'];
        $ports[0]['receive']['timeOut'] = $seconds;
        $this->rig->adopt(['ports' => $ports]);
    }

    /** @param float $loss part of the frames that do not come */
    private function sends(float $seconds, float $every, float $loss = 0.0, float $jitter = 0.0): void
    {
        for ($left = $seconds; $left > 1e-9; $left -= $every) {
            $this->sequence = $this->sequence % 255 + 1;
            $late = $jitter * mt_rand() / mt_getrandmax();
            $this->pass($late);
            if (mt_rand() / mt_getrandmax() >= $loss) {
                $this->rig->arrive(
                    Rig::ART_NET,
                    (new Dmx(1, Rig::levels([1 => mt_rand(1, 255)]), $this->sequence))->encode(),
                    '127.0.0.11',
                );
                $this->look();
            }
            $this->pass($every - $late);
        }
    }

    private function silence(float $seconds): void
    {
        $this->pass($seconds);
    }

    private function pass(float $seconds): void
    {
        for ($left = $seconds; $left > 1e-9; $left -= 0.01) {
            $this->rig->pass(min(0.01, $left));
            $this->look();
        }
    }

    private function look(): void
    {
        $state = $this->state()->value;
        $last = $this->words === [] ? '' : explode(' ', $this->words[array_key_last($this->words)])[1];
        if ($state !== $last && $state !== State::Waiting->value) {
            $this->words[] = floor($this->rig->now - $this->began() + 1e-6)." {$state}";
        }
    }

    private function began(): float
    {
        return $this->start ??= $this->rig->now;
    }

    private function state(): State
    {
        return $this->rig->junction->activity('house')->state(Protocol::ArtNet, true, false, $this->rig->nanos());
    }

    /** @return list<\NimbleJunction\Core\Port\Outage> */
    private function outages(): array
    {
        return $this->rig->junction->activity('house')->streams->outages($this->rig->nanos());
    }
}
