<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Live\Secret;
use App\StandIns\FernhallRack;
use App\StandIns\StandInLink;
use Illuminate\Console\Command;
use NimbleJunction\Engine\Ending;
use NimbleJunction\Engine\LiveLink\Gate;
use NimbleJunction\Engine\LiveLink\Server;
use Revolt\EventLoop;

final class StandInsCommand extends Command
{
    protected $signature = 'junction:stand-ins';

    protected $description = 'Run the simulated devices of the demo show';

    public function handle(): int
    {
        $rack = FernhallRack::build((string) config('junction.loopback'), config('junction.data').'/cables');
        try {
            $rack->start();
        } catch (\RuntimeException $exception) {
            $this->error($exception->getMessage());

            return self::FAILURE;
        }
        $link = new Server(
            new Gate(Secret::derive((string) config('app.key')), config('junction.origins')),
            new StandInLink($rack),
        );
        // A fault in one device must not end the others.
        EventLoop::setErrorHandler(static function (\Throwable $fault): void {
            fwrite(STDERR, "A stand-in failed: {$fault}\n");
        });
        $link->start((string) config('junction.stand_ins'));
        $end = new Ending();
        foreach ([SIGTERM, SIGINT] as $signal) {
            EventLoop::unreference(EventLoop::onSignal($signal, $end->now(...)));
        }
        $this->line('The stand-ins are at work, live link at '.config('junction.stand_ins').'.');
        $end->suspend();
        $link->stop();
        $rack->stop();

        return self::SUCCESS;
    }
}
