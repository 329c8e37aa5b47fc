<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Illuminate\Mail\Message;
use Illuminate\Support\Facades\Mail;

/** The engine starts it with alarms on its standard input: whatever the mail server does, the engine does not wait for it. */
final class AlarmMailCommand extends Command
{
    protected $signature = 'junction:alarm-mail {--try : send a message that says that this way works}';

    protected $description = 'Send what stands on standard input to whoever is told of alarms';

    public function handle(): int
    {
        $to = (string) config('junction.alarm_mail');
        if ($to === '') {
            $this->error('Nobody is told of alarms: put an address into JUNCTION_ALARM_MAIL.');

            return self::INVALID;
        }
        $words = $this->option('try') === true
            ? 'This way works: alarms would come like this one.'
            : trim((string) stream_get_contents(STDIN, 100_000));
        if ($words === '') {
            return self::SUCCESS;
        }
        $first = mb_strimwidth((string) strtok($words, "\n"), 0, 120, '…');
        Mail::raw(
            $words."\n\n".config('app.url')."\n",
            static fn(Message $message) => $message->to($to)->subject("Nimble Junction: {$first}"),
        );

        return self::SUCCESS;
    }
}
