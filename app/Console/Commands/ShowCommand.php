<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Edit;
use App\Models\User;
use App\Shows\Edited;
use App\Shows\History;
use App\Shows\OlderForm;
use App\Shows\ShowStore;
use App\Shows\ShowText;
use Illuminate\Console\Command;
use NimbleJunction\Core\Document\Patching;
use NimbleJunction\Core\Document\Pointer;
use NimbleJunction\Core\Show\ShowRefused;
use Symfony\Component\Console\Output\OutputInterface;

final class ShowCommand extends Command
{
    private const JSON = JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR;

    protected $signature = 'junction:show
        {deed : get, set, patch, history, undo, redo or back}
        {path? : get, set: a JSON Pointer, like /ports/house-desk/name; patch: a file with a JSON Patch, or - for standard input; back: a revision}
        {value? : set: JSON, or a text}
        {--as= : the name of the person whose edit it is}
        {--count=20 : history: so many edits}';

    protected $description = 'Look at the current show and change it, without a page';

    public function handle(ShowStore $shows): int
    {
        $deed = (string) $this->argument('deed');
        $path = (string) $this->argument('path');
        try {
            $user = $this->user();

            return match ($deed) {
                'get' => $this->get($shows, $path),
                'set' => $this->set($shows, $path, $user),
                'patch' => $this->patch($shows, $path, $user),
                'history' => $this->history($shows),
                'undo', 'redo' => $this->done($shows->{$deed}($user), "There is nothing to {$deed}."),
                'back' => $this->done(
                    $shows->goBack((int) $path, $user),
                    "There is no revision \"{$path}\": junction:show history lists them.",
                ),
                default => $this->wrong("There is no \"{$deed}\": use get, set, patch, history, undo, redo or back."),
            };
        } catch (\UnexpectedValueException $wrong) {
            return $this->wrong("Nothing has changed. {$wrong->getMessage()}");
        } catch (ShowRefused|OlderForm $refused) {
            $this->error("Nothing has changed.\n{$refused->getMessage()}");

            return self::FAILURE;
        }
    }

    private function get(ShowStore $shows, string $path): int
    {
        $document = ShowText::withObjects($shows->document());
        $this->output->write(
            json_encode(Pointer::parse($path)->of($document), self::JSON)."\n",
            false,
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }

    private function set(ShowStore $shows, string $path, ?User $user): int
    {
        $text = $this->argument('value');
        if ($text === null || $path === '') {
            return $this->wrong('Give a path and a value: junction:show set /name "Night Walk".');
        }
        $value = json_decode($text, true);
        $pointer = Pointer::parse($path);
        $change = static function (array $document) use ($pointer, $value, $text): mixed {
            $is = json_last_error() === JSON_ERROR_NONE && ($value !== null || $text === 'null') ? $value : $text;
            try {
                return $pointer->replaced($document, $is);
            } catch (\UnexpectedValueException) {
                return $pointer->added($document, $is);
            }
        };

        return $this->done($shows->amend("set {$path}", $user, ShowStore::whole($change)), '');
    }

    private function patch(ShowStore $shows, string $file, ?User $user): int
    {
        $text = $file === '-'
            ? (string) file_get_contents('php://stdin')
            : (is_file($file) ? (string) file_get_contents($file) : null);
        $operations = $text === null ? null : json_decode($text, true);
        if (! \is_array($operations)) {
            return $this->wrong(
                $text === null
                    ? "There is no file {$file}: give a JSON Patch (RFC 6902), or - for standard input."
                    : 'It is no JSON.',
            );
        }
        $words = \count($operations) === 1 ? '1 operation' : \count($operations).' operations';

        return $this->done(
            $shows->amend(
                "patch, {$words}",
                $user,
                ShowStore::whole(static fn(array $document): mixed => Patching::apply($document, $operations)),
            ),
            '',
        );
    }

    private function history(ShowStore $shows): int
    {
        $show = $shows->current();
        foreach (History::page($show, null, max(1, (int) $this->option('count'))) as $line) {
            $point = $line['point'] === null ? '' : "  [{$line['point']}]";
            $undone = $line['undone'] && $line['kind'] === Edit::EDIT ? '  (undone)' : '';
            $this->line("{$line['revision']}  {$line['at']}  {$line['by']}  {$line['what']}{$undone}{$point}");
        }

        return self::SUCCESS;
    }

    private function done(?Edited $edited, string $otherwise): int
    {
        if ($edited === null) {
            return $this->wrong($otherwise);
        }
        $this->info(
            $edited->amendment->isEmpty()
                ? 'It is so already: nothing has changed.'
                : "Revision {$edited->revision}: {$edited->summary}.",
        );
        if ($edited->notice !== null) {
            $this->warn($edited->notice);
        }

        return self::SUCCESS;
    }

    /** @throws \UnexpectedValueException */
    private function user(): ?User
    {
        $name = $this->option('as');
        /** @var User|null $user */
        $user = $name === null ? null : User::query()->where('name', $name)->first();
        if ($name !== null && $user === null) {
            throw new \UnexpectedValueException("There is nobody called \"{$name}\".");
        }

        return $user;
    }

    private function wrong(string $words): int
    {
        $this->error($words);

        return self::INVALID;
    }
}
