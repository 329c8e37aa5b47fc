<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Scope\Subject;
use NimbleJunction\Engine\Health\FaultLog;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\LiveLink\Conversation;
use NimbleJunction\Engine\Net\Descriptors;

/**
 * What a page and the engine say to each other. A page subscribes to topics:
 * "status", "minutes", "finds", "trace", "levels:UNIVERSE", "sources:UNIVERSE",
 * "scope:SUBJECT", "points:POINT".
 */
final class JunctionLink implements Conversation
{
    private const EVERY_MILLIS = ['status' => 250, 'minutes' => 1000, 'finds' => 500, 'trace' => 100, 'sources' => 250, 'scope' => 66, 'points' => 40];
    private const TOPICS = ['status', 'minutes', 'finds', 'trace', 'levels', 'sources', 'scope', 'points'];

    /** One page must not keep the loop: what is not shown within this time is shown at the next turn. */
    private const MOST_NANOS = 5_000_000;

    /** @var \WeakMap<Client, PageView> */
    private \WeakMap $views;
    private readonly PortReport $ports;
    private readonly Report $report;
    private readonly Lending $lending;
    private readonly Holding $holding;
    private readonly Pointing $pointing;

    /** @var array<string, Diagnosis> by port; the newest one of each */
    private array $diagnoses = [];

    public function __construct(private readonly Engine $engine, Warnings $warnings, private readonly FaultLog $faults, Descriptors $descriptors)
    {
        $this->views = new \WeakMap();
        $this->ports = new PortReport($engine->junction, $engine->transports);
        $this->report = new Report($engine->junction, $engine->startedAt, $this->ports, $warnings, $descriptors);
        $this->lending = new Lending($engine->transports->lent);
        $this->holding = new Holding($engine);
        $this->pointing = new Pointing($engine, $this->holding);
        // A check listens at the neighbouring port numbers; the fix that it offers needs one of them.
        $engine->beforeOpening(function (): void {
            foreach ($this->diagnoses as $diagnosis) {
                $diagnosis->close();
            }
        });
    }

    public function opened(Client $client): void
    {
        $this->views[$client] = new PageView();
        $client->tell(['type' => 'welcome', 'user' => $client->token->user, 'role' => $client->token->role->value]);
    }

    public function closed(Client $client): void
    {
        unset($this->views[$client]);
        $this->lending->gone($client);
    }

    public function heard(Client $client, array $message): void
    {
        $id = $message['id'] ?? null;
        try {
            $client->answer(['type' => 'answer', 'id' => $id, 'ok' => true, ...$this->obey($client, $message)]);
        } catch (CommandRefused $refused) {
            $client->answer(['type' => 'answer', 'id' => $id, 'ok' => false, 'error' => $refused->getMessage()]);
        } catch (\Throwable $fault) {
            $this->faults->note('carrying out a command of a page', $fault);
            $client->answer(['type' => 'answer', 'id' => $id, 'ok' => false, 'error' => "The engine failed on this command ({$fault->getMessage()}): it is written down, and everything else goes on."]);
        }
    }

    public function ready(Client $client): void
    {
        $view = $this->views[$client] ?? null;
        if ($view === null) {
            return;
        }
        $now = Engine::now();
        foreach ($view->inTurn() as $topic => $subject) {
            if (Engine::now() - $now > self::MOST_NANOS) {
                $view->goOnAt($topic);

                return;
            }
            $kind = strstr("{$topic}:", ':', true) ?: $topic;
            $every = self::EVERY_MILLIS[$kind] ?? 0;
            if ($every > 0 && ! $view->isTime($topic, $now, $every * 1_000_000)) {
                continue;
            }
            match ($kind) {
                'status' => $client->tell($this->report->status($now)),
                'minutes' => $client->tell($this->report->minutes($now)),
                'finds' => $client->tell($this->ports->finds($now)),
                'scope' => $this->showScope($client, $view, $subject, $now),
                'points' => $this->showPoint($client, $view, $subject),
                'trace' => $this->showTrace($client, $view, $now),
                'levels' => $this->showLevels($client, $view, $subject),
                default => $this->showSources($client, $view, $subject, $now),
            };
        }
    }

    /**
     * @param array<mixed> $message
     *
     * @return array<string, mixed>
     *
     * @throws CommandRefused
     */
    private function obey(Client $client, array $message): array
    {
        $command = new Command($message);
        $by = $client->token->user;

        switch ($command->word('do')) {
            case 'subscribe':
                $this->subscribe($this->views[$client] ?? new PageView(), $command->words('topics', \PHP_INT_MAX));

                return [];
            case 'hold':
                $this->mayOperate($client);
                $this->holding->hold($command, $by);

                return [];
            case 'release':
                $this->mayOperate($client);
                $this->holding->release($command, $by);

                return [];
            case 'lend':
                $this->mayOperate($client);
                $this->lending->lend($client, $command);

                return [];
            case 'lent':
                $this->mayOperate($client);
                $this->lending->heard($client, $command);

                return [];
            case 'set':
                $this->mayOperate($client);
                $this->pointing->set($command, $by);

                return [];
            case 'press':
                $this->mayOperate($client);
                $this->pointing->press($command, $by);

                return [];
            case 'find':
                return $this->pointing->find($command);
            case 'check':
                return ['findings' => $this->check($command)];
            case 'explain':
                return $this->report->slot($this->universe($command), $command->whole('slot', 1, 512) - 1);
        }

        throw new CommandRefused('This command is not known. Known are: subscribe, hold, release, explain, lend, lent, set, press, find, check.');
    }

    /** @throws CommandRefused */
    private function mayOperate(Client $client): void
    {
        if (! $client->token->role->mayOperate()) {
            throw new CommandRefused('A viewer can change nothing: log in as operator or builder.');
        }
    }

    /** @throws CommandRefused */
    private function universe(Command $command): \NimbleJunction\Core\Universe\Universe
    {
        $id = $command->word('universe');

        return $this->engine->junction->universes()[$id]
            ?? throw new CommandRefused("There is no universe \"{$id}\" in the show.");
    }

    /** @param list<string> $topics */
    private function subscribe(PageView $view, array $topics): void
    {
        $wanted = [];
        foreach ($topics as $topic) {
            [$kind, $subject] = explode(':', $topic, 2) + [1 => ''];
            if (! \in_array($kind, self::TOPICS, true) || ($kind === 'scope' && Subject::parse($subject) === null) || ($kind === 'points' && Reference::parse($subject) === null)) {
                throw new CommandRefused("There is no topic \"{$topic}\".");
            }
            $wanted[$topic] = $subject;
        }
        $view->want($wanted);
    }

    /**
     * {"do": "check", "port": "…", "other": "192.168.1.20", "anew": true}
     *
     * @return list<array<string, mixed>>
     *
     * @throws CommandRefused
     */
    private function check(Command $command): array
    {
        $id = $command->word('port');
        $port = $this->engine->show()->ports[$id] ?? throw new CommandRefused("There is no port \"{$id}\" in the show.");
        $other = $command->has('other') ? trim($command->word('other')) : '';
        if ($other !== '' && filter_var($other, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) === false) {
            throw new CommandRefused("\"{$other}\" is no IPv4 address: four numbers from 0 to 255 with points between, like 192.168.1.10.");
        }
        if (! isset($this->diagnoses[$id]) || $this->diagnoses[$id]->port != $port) {
            ($this->diagnoses[$id] ?? null)?->close();
            $this->diagnoses[$id] = new Diagnosis($this->engine->junction, $port, $this->ports);
        }

        return $this->diagnoses[$id]->findings($other);
    }

    private function showScope(Client $client, PageView $view, string $subject, int $now): void
    {
        $parsed = Subject::parse($subject);
        $probe = $parsed === null ? null : $this->engine->junction->probes()->watch($parsed, $now);
        if ($probe !== null) {
            $client->tell($this->report->scope($probe, $view->scopes[$subject] ?? 0, $now));
            $view->scopes[$subject] = $probe->next();
        }
    }

    /** Told when it is another one than before; what is not there has no value. */
    private function showPoint(Client $client, PageView $view, string $subject): void
    {
        $reference = Reference::parse($subject);
        $value = $reference === null ? null : $this->engine->junction->points()->read($reference);
        if ($view->isNew("point {$subject}", json_encode($value, \JSON_THROW_ON_ERROR))) {
            $client->tell(['type' => 'point', 'point' => $subject, 'value' => $value]);
        }
    }

    private function showTrace(Client $client, PageView $view, int $now): void
    {
        $trace = $this->report->trace($view->traceRevision, $now);
        if ($trace !== null) {
            $view->traceRevision = $this->engine->junction->trace->revision();
            $client->tell($trace);
        }
    }

    private function showLevels(Client $client, PageView $view, string $universeId): void
    {
        $universe = $this->engine->junction->universes()[$universeId] ?? null;
        if ($universe !== null && $view->isNew("levels {$universeId}", $universe->levels)) {
            $client->show(self::packed(1, $universeId, $universe->levels));
        }
    }

    private function showSources(Client $client, PageView $view, string $universeId, int $now): void
    {
        $universe = $this->engine->junction->universes()[$universeId] ?? null;
        if ($universe === null) {
            return;
        }
        $client->tell($this->report->sources($universe, $now));
        $winners = $universe->winners();
        if ($view->isNew("winners {$universeId}", $winners)) {
            $client->show(self::packed(2, $universeId, $winners));
        }
        foreach ($universe->contributors() as $place => $source) {
            if ($view->isNew("source {$universeId} {$place}", $source->levels)) {
                $client->show(self::packed(3, $universeId, \chr($place).$source->levels));
            }
        }
    }

    /** Kind, length of the universe's id, the id, then the bytes. */
    private static function packed(int $kind, string $universeId, string $bytes): string
    {
        return \chr($kind).\chr(\strlen($universeId)).$universeId.$bytes;
    }
}
