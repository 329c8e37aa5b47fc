<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Fault;

use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Ear;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Netns;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** A check on a real network of two machines: one that is there and silent, one that is not there, one in another subnet. */
final class SilentMachineTest extends TestCase
{
    private const LIVE = 9791;

    public function testWhoIsThereWhoIsNotAndWhoSpeaksFromAnotherSubnet(): void
    {
        $here = new Netns();
        $there = $here->pair('light', '10.9.7.1/24', '10.9.7.2/24');
        $engine = null;
        try {
            $engine = new EngineProcess(
                ['format' => 'nimble-junction/show', 'version' => 2, 'name' => 'Silence', 'universes' => [['id' => 'palm', 'name' => 'Palm']], 'ports' => [
                    [
                        'id' => 'desk',
                        'name' => 'Desk',
                        'protocol' => 'art-net',
                        'receive' => ['address' => '10.9.7.1', 'feeds' => [['number' => 3, 'universe' => 'palm']]],
                    ],
                ]],
                ['--for=170', '--live=127.0.0.1:'.self::LIVE],
                Netns::words($here->name),
            );
            $this->sees(
                $here,
                '10.9.7.2',
                'Is anything heard?',
                'The machine 10.9.7.2 is there, and nothing of what it sends comes in at port 6454.',
            );
            $this->sees($here, '10.9.7.77', 'Is anything heard?', 'Nothing answers at 10.9.7.77 on this network.');
            $this->sees($here, '10.9.8.2', 'Same network', '10.9.8.2 is in none of our networks.');
            // Its packets come in at our adapter, and we would answer them nowhere.
            Netns::in($there, 'ip', 'addr', 'add', '10.9.8.2/24', 'dev', 'peer');
            Netns::in($there, 'ip', 'route', 'add', '10.9.7.1/32', 'dev', 'peer', 'src', '10.9.8.2');
            $here->inside('sh', '-c', 'echo 1 > /proc/sys/net/ipv4/conf/all/rp_filter');
            $this->sees(
                $here,
                '',
                'Is anything heard?',
                'thrown away by this machine, as the sender\'s address is reached by another adapter',
                static fn() => Ear::say($there, 'stray', '10.9.7.1', 6454),
            );
            $here->inside('sh', '-c', 'echo 0 > /proc/sys/net/ipv4/conf/all/rp_filter');
            $this->aPacketFilterIsSaid($here, $there);
        } finally {
            $engine?->stop();
            $here->delete();
        }
    }

    /** The system's own packet filter, where it may be set: what it drops reaches the machine and no program. */
    private function aPacketFilterIsSaid(Netns $here, string $there): void
    {
        $filter = new Process([...Netns::words($here->name), 'python3', __DIR__.'/../Support/firewall.py', '6454']);
        $filter->run();
        if (trim($filter->getOutput()) !== 'dropping') {
            fwrite(\STDERR, "Not looked at: a packet filter, as this machine has none to set ({$filter->getErrorOutput()}).\n");

            return;
        }
        $this->sees(
            $here,
            '',
            'Is anything heard?',
            'reached this machine in the last minute and no program could have them: a firewall',
            static fn() => Ear::say($there, 'for nobody', '10.9.7.1', 6454),
        );
    }

    private function sees(Netns $here, string $other, string $question, string $words, ?callable $meanwhile = null): void
    {
        $seen = '';
        $ask = ['do' => 'check', 'port' => 'desk'] + ($other === '' ? [] : ['other' => $other]);
        try {
            Background::until(function () use ($here, $ask, $question, $words, $meanwhile, &$seen): bool {
                $meanwhile === null || $meanwhile();
                $answers = (new LiveLink(self::LIVE, Role::Operator, [$ask], 0.3, Netns::words($here->name)))->heard()['answer'];
                $seen = json_encode(array_column($answers[0]['findings'], 'words', 'question'), JSON_THROW_ON_ERROR);

                return str_contains(array_column($answers[0]['findings'], 'words', 'question')[$question] ?? '', $words);
            }, $words);
        } catch (\RuntimeException $exception) {
            self::fail("{$exception->getMessage()} It said: {$seen}");
        }
        $this->addToAssertionCount(1);
    }
}
