<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Timeline\Kind;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Programme\WhenTrigger;
use NimbleJunction\Core\Route\Action\SendAction;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Send\NoteMessage;
use NimbleJunction\Core\Timeline\Moment;
use NimbleJunction\Core\Timeline\PlayedNote;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Timeline\Track;
use NimbleJunction\Core\Timeline\TrackKind;

/** Notes for an instrument, or for another program that waits for them: each ends, whatever becomes of the timeline. */
final readonly class NoteTrack implements TrackKind, Checked
{
    private const MOST = 10_000;

    /** No note has such an id: ids have no dots. */
    private const ENDS = '.off';

    /**
     * @param string $port id of a MIDI port that sends; '' for none yet
     * @param int $channel 1 to 16
     * @param list<PlayedNote> $notes
     */
    public function __construct(public string $port = '', public int $channel = 1, public array $notes = [])
    {
    }

    public static function kind(): string
    {
        return 'notes';
    }

    public static function label(): string
    {
        return 'Notes';
    }

    public static function fields(): array
    {
        return [
            Field::portOrNone('port', 'To port'),
            Field::whole('channel', 'Channel, 1 to 16', 1, 16, 1),
            Field::objects('notes', 'Notes', PlayedNote::class, self::MOST),
        ];
    }

    public function check(Fields $fields): void
    {
        $known = [];
        foreach ($this->notes as $i => $note) {
            if (isset($known[$note->id])) {
                $fields->fault("notes/{$i}/id", "\"{$note->id}\" is used twice", 'Every note of a track has an id of its own.');
            }
            $known[$note->id] = true;
        }
    }

    public function ends(): float
    {
        return max([0.0, ...array_map(static fn(PlayedNote $one): float => $one->at + $one->long, $this->notes)]);
    }

    /** Ends first: of two notes of one pitch the first ends where the second begins. */
    public function moments(): array
    {
        if ($this->port === '') {
            return [];
        }
        $ends = array_map($this->endOf(...), $this->notes);
        $begins = array_map(
            fn(PlayedNote $one): Moment => new Moment($one->id, $one->at, do: [$this->message($one, $one->velocity)]),
            $this->notes,
        );

        return [...$ends, ...$begins];
    }

    public function ending(Moment $moment): ?Moment
    {
        foreach (str_ends_with($moment->id, self::ENDS) ? [] : $this->notes as $note) {
            if ($note->id === $moment->id) {
                return $this->endOf($note);
            }
        }

        return null;
    }

    public function routes(Timeline $timeline, Track $track): array
    {
        $routes = [];
        foreach ($this->moments() as $one) {
            $id = $timeline->routeId($track, $one->id);
            $routes[$id] = new Route(
                $id,
                "{$timeline->name}, {$track->name}",
                true,
                [new WhenTrigger($timeline->reached($track, $one))],
                [],
                [],
                $one->do,
            );
        }

        return $routes;
    }

    private function endOf(PlayedNote $note): Moment
    {
        return new Moment($note->id.self::ENDS, $note->at + $note->long, do: [$this->message($note, 0)]);
    }

    private function message(PlayedNote $note, int $velocity): SendAction
    {
        return new SendAction($this->port, new NoteMessage($this->channel, $note->note, $velocity));
    }
}
